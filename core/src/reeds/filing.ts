/** Where metal is taken from a reed: off the tip it rises, off the root it falls. */
export const REED_ENDS = ['tip', 'root'] as const;
export type ReedEnd = (typeof REED_ENDS)[number];

/** Some strokes of the file, and what they did. */
export interface Bite {
	readonly end: ReedEnd;
	readonly strokes: number;
	/** Cents, before and after. */
	readonly before: number;
	readonly after: number;
}

/** Cents that one stroke moves a reed by, as it is thought. */
export interface StrokeSize {
	readonly cents: number;
	/** Relative standard error of that. */
	readonly error: number;
	/** Bites that it rests on. */
	readonly logged: number;
}

/** How much of what is left is filed: what is sure, or always half. */
export const BITE_RULES = ['learned', 'half', 'all'] as const;
export type BiteRule = (typeof BITE_RULES)[number];

/** What a stroke does to a reed of A4, in cents; reeds are shorter as they are higher, and a stroke takes a larger share of them. */
const AT_A4 = 1;
const BY_PITCH = 0.6;
/** How far reeds differ from that: standard deviation of the logarithm; and a stroke from the next. */
const REEDS_DIFFER = 0.45;
const STROKES_DIFFER = 0.15;
/** A stroke at the root does as much, of the same reed, but for this. */
const ENDS_DIFFER = 0.25;
/** A reading errs by so many cents: a bite that moved less than that tells little. */
const READING = 0.15;
/** Until so many bites are logged half is taken. */
const LEARNS_FROM = 2;
/** Errors by which a bite stays short, so that few go too far. */
const CAUTION = 1.65;
/** A stroke is thought to do more than it probably does, by so many of its errors: what is taken off does not come back. */
const DOUBT = 0.15;
/** Filed at both ends by more cents than that a reed grows weak. */
const BOTH_WAYS = 25;

/**
 * What a stroke does to this reed: by Bayes from its own bites, in logarithms, beginning with what reeds of its pitch usually do.
 * @param hertz the reed's pitch
 * @param end where the next stroke is to go: bites at the other end tell less
 */
export function strokeSize(bites: readonly Bite[], end: ReedEnd, hertz: number): StrokeSize {
	const usual = Math.log(AT_A4 * (hertz / 440) ** BY_PITCH);
	let [weight, sum] = [1 / REEDS_DIFFER ** 2, usual / REEDS_DIFFER ** 2];
	let logged = 0;
	for (const { end: at, strokes, before, after } of bites) {
		const moved = at === 'tip' ? after - before : before - after;
		if (strokes < 1 || moved < READING) continue;
		logged++;
		const variance =
			STROKES_DIFFER ** 2 + (Math.SQRT2 * READING) ** 2 / moved ** 2 + (at === end ? 0 : ENDS_DIFFER ** 2);
		weight += 1 / variance;
		sum += Math.log(moved / strokes) / variance;
	}
	return { cents: Math.exp(sum / weight), error: Math.sqrt(1 / weight), logged };
}

/** What to do with a reed. */
export type FilingAdvice =
	| { readonly is: 'leave' }
	| {
			readonly is: 'file';
			readonly end: ReedEnd;
			readonly strokes: number;
			/** Share of what is left that they take. */
			readonly share: number;
			/** Where it will stand then, in cents, and how far that errs. */
			readonly then: number;
			readonly error: number;
			/** The last bite went too far. */
			readonly isOver: boolean;
			/** It has been filed at both ends for long. */
			readonly isWeak: boolean;
	  };

/** Share of the rest that a bite takes by a rule. */
function shareOf(rule: BiteRule, { error, logged }: StrokeSize): number {
	if (rule === 'all') return 1;
	return rule === 'half' || logged < LEARNS_FROM ? 0.5 : 1 / (1 + CAUTION * error);
}

/**
 * Where to file, and how many strokes.
 * @param off cents from target: above 0 too high
 * @param within it may stay where it stands
 */
export function adviseFiling(
	off: number,
	within: number,
	bites: readonly Bite[],
	hertz: number,
	rule: BiteRule = 'learned'
): FilingAdvice {
	if (Math.abs(off) <= within) return { is: 'leave' };
	const end = off > 0 ? 'root' : 'tip';
	const size = strokeSize(bites, end, hertz);
	const share = shareOf(rule, size);
	const strokes = Math.max(1, Math.round((share * Math.abs(off)) / (size.cents * Math.exp(DOUBT * size.error))));
	const moves = strokes * size.cents;
	const taken = (at: ReedEnd) =>
		bites.reduce((total, bite) => total + (bite.end === at ? Math.abs(bite.after - bite.before) : 0), 0);
	return {
		...{ is: 'file', end, strokes, share },
		then: off - Math.sign(off) * moves,
		error: moves * Math.hypot(size.error, STROKES_DIFFER),
		isOver: bites.length > 0 && bites.at(-1)!.end !== end,
		isWeak: Math.min(taken('tip'), taken('root')) > BOTH_WAYS
	};
}
