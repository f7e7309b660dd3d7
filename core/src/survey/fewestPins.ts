/** Strings of one note; cents from where the note is to stand. */
export interface NoteStrings {
	readonly note: number;
	readonly strings: readonly number[];
	/** How far they may differ from each other, in cents. */
	readonly unison: number;
}

export interface NotePins {
	readonly note: number;
	/** Places of the strings that stay, and of those that are brought to them. */
	readonly stay: readonly number[];
	readonly move: readonly number[];
	/** What those that move are brought to: the middle of those that stay; the target where none does. */
	readonly to: number;
}

/** Cents that rounding may put in the way of an exact limit. */
const ROUNDING = 1e-9;

/**
 * The fewest strings of a note to move: the largest set that lies within tolerance of the target and within the unison
 * limit of each other stays (of sets as large, the one nearest the target), the others are brought to it.
 * @param tolerance how far from its target a string may stay, in cents
 */
export function fewestPins({ note, strings, unison }: NoteStrings, tolerance: number): NotePins {
	const within = strings
		.map((cents, string) => ({ cents, string }))
		.filter(({ cents }) => Math.abs(cents) <= tolerance + ROUNDING)
		.sort((a, b) => a.cents - b.cents);
	let best: typeof within = [];
	for (const { cents: lowest } of within) {
		const set = within.filter(({ cents }) => cents >= lowest && cents <= lowest + unison + ROUNDING);
		if (set.length > best.length || (set.length === best.length && middleOf(set) < middleOf(best))) best = set;
	}
	const stay = best.map(({ string }) => string).sort((a, b) => a - b);
	return {
		note,
		stay,
		move: strings.flatMap((_, string) => (stay.includes(string) ? [] : [string])),
		to: best.length === 0 ? 0 : (best[0].cents + best[best.length - 1].cents) / 2
	};
}

function middleOf(set: readonly { readonly cents: number }[]): number {
	return set.length === 0 ? Infinity : Math.abs(set[0].cents + set[set.length - 1].cents) / 2;
}

/** Pins of a whole instrument, counted. */
export function pinsToMove(
	notes: readonly NoteStrings[],
	tolerance: number
): { readonly notes: readonly NotePins[]; readonly moved: number; readonly all: number } {
	const each = notes.map((note) => fewestPins(note, tolerance));
	return {
		notes: each,
		moved: each.reduce((sum, { move }) => sum + move.length, 0),
		all: notes.reduce((sum, { strings }) => sum + strings.length, 0)
	};
}
