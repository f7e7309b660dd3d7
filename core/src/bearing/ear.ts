/** How well an ear judges beats. */
export interface Ear {
	/** Scatter of a count at the best, per second. */
	readonly floor: number;
	/** Scatter as a share of the rate, where that is more. */
	readonly share: number;
	/** What all counts of one session are too fast or too slow by (standard deviation), per second. */
	readonly bias: number;
}

/** A trained ear until its owner's own thresholds are known. */
export const DEFAULT_EAR: Ear = { floor: 0.1, share: 0.06, bias: 0.1 };

/** Slower than this an interval is set still rather than counted: a bias of counting does not enter. */
const STILL = 0.3;

/** Standard deviation of a count of that rate, per second. */
export function countScatter(ear: Ear, rate: number): number {
	return Math.max(ear.floor, ear.share * Math.abs(rate));
}

/** What a bias of counting by 1 per second does to a signed rate: it widens what is wide and narrows what is narrow. */
export function biasSense(rate: number): number {
	return Math.abs(rate) < STILL ? 0 : Math.sign(rate);
}
