/**
 * Chance that a normal deviate lies above `z` standard deviations, within 1e-7
 * (Abramowitz & Stegun 1964, 7.1.26, with z over the square root of two).
 */
export function normalTail(z: number): number {
	const x = Math.abs(z) / Math.SQRT2;
	const t = 1 / (1 + 0.3275911 * x);
	const poly = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
	const above = (poly * Math.exp(-x * x)) / 2;
	return z >= 0 ? above : 1 - above;
}
