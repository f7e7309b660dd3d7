/** Bisquare constant for 95 % efficiency on normal errors (Beaton & Tukey 1974). */
export const BISQUARE = 4.685;
/** The median of normal errors' sizes, times this, is their standard deviation. */
export const MEDIAN_TO_SD = 1.4826;

/** Weight of a residual that is so many standard deviations off: 1 at none, 0 from BISQUARE on. */
export function bisquareWeight(pull: number): number {
	const u = pull / BISQUARE;
	return Math.abs(u) < 1 ? (1 - u * u) ** 2 : 0;
}
