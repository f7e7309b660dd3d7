import { solveLinear } from '../numeric/linearSystem';

/** A note that was kept by ear, and how far it stands from where the plan had it, in cents. */
export interface EarNote {
	readonly note: number;
	readonly off: number;
}

/** How alike the ear's wishes are from note to note: over so many semitones, by so many cents; an ear's own scatter. */
const EAR = { reach: 6, size: 2, scatter: 0.3 } as const;
/** A note kept by the figure says less of what the ear would have: that many cents. */
const BY_FIGURE = 1;

const alike = (a: number, b: number) => EAR.size ** 2 * Math.exp(-Math.abs(a - b) / EAR.reach);

/**
 * By how much notes that are not set yet follow those that were kept by ear: what is likeliest when the ear's wishes wander over
 * the keyboard and come back to the plan (Gaussian process with an exponential kernel, which never goes beyond what it was told;
 * Rasmussen & Williams 2006, eq. 2.25 and 4.2.1), and notes that were kept by the figure stay where they are.
 * @param kept notes that were kept by the figure
 * @param free notes that may follow
 * @returns cents by note
 */
export function followEar(
	ear: readonly EarNote[],
	kept: readonly number[],
	free: readonly number[]
): ReadonlyMap<number, number> {
	const known = [
		...ear.map(({ note, off }) => ({ note, off, error: EAR.scatter })),
		...kept.map((note) => ({ note, off: 0, error: BY_FIGURE }))
	];
	if (ear.length === 0) return new Map(free.map((note) => [note, 0]));
	const rows = known.map((one, i) =>
		Float64Array.from(known, (other, j) => alike(one.note, other.note) + (i === j ? one.error ** 2 : 0))
	);
	const weights = solveLinear(
		rows,
		Float64Array.from(known, ({ off }) => off)
	);
	return new Map(
		free.map((note) => [note, known.reduce((sum, each, i) => sum + weights[i] * alike(note, each.note), 0)])
	);
}

/** Which way the last notes kept by ear lean against the figure. */
export interface EarLean {
	/** Mean of how far they stand off, in cents, and its standard error. */
	readonly mean: number;
	readonly error: number;
	readonly notes: number;
	/** They lean one way by more than chance. */
	readonly leans: boolean;
}

/** Fewer say nothing; older ones are forgotten. */
const FEWEST = 3;
const MOST = 6;
/** Errors from which a lean is one (some 3 % by chance with six). */
const SURE = 3;

/** @param ear oldest first; @returns undefined when there are too few */
export function earLean(ear: readonly EarNote[]): EarLean | undefined {
	const last = ear.slice(-MOST).map(({ off }) => off);
	const count = last.length;
	if (count < FEWEST) return undefined;
	const mean = last.reduce((sum, off) => sum + off, 0) / count;
	const spread = Math.sqrt(last.reduce((sum, off) => sum + (off - mean) ** 2, 0) / (count - 1));
	const error = Math.max(EAR.scatter, spread) / Math.sqrt(count);
	return { mean, error, notes: count, leans: Math.abs(mean) > SURE * error };
}
