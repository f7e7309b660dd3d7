import { median } from 'd3-array';
import { bisquareWeight, MEDIAN_TO_SD } from './bisquare';

/** y = intercept + slope * x, with what the scatter says about both. */
export interface RobustLine {
	readonly intercept: number;
	readonly slope: number;
	/** Variances and covariance of intercept and slope, misfit included. */
	readonly varIntercept: number;
	readonly varSlope: number;
	readonly covariance: number;
	/** Final weight of each point relative to the one it came with, 0 (thrown out) to 1. */
	readonly kept: readonly number[];
}

const ROUNDS = 6;

/**
 * Straight line by iteratively reweighted least squares with bisquare weights.
 * @param sigma standard error of each y, above 0
 * @returns undefined when fewer than two points, or all x alike: a line is not determined then.
 */
export function fitRobustLine(
	x: readonly number[],
	y: readonly number[],
	sigma: readonly number[]
): RobustLine | undefined {
	const count = x.length;
	if (count < 2) return undefined;
	let kept = new Array<number>(count).fill(1);
	for (let round = 0; ; round++) {
		let s = 0;
		let sx = 0;
		let sy = 0;
		for (let i = 0; i < count; i++) {
			const w = kept[i] / sigma[i] ** 2;
			s += w;
			sx += w * x[i];
			sy += w * y[i];
		}
		const mx = sx / s;
		const my = sy / s;
		let sxx = 0;
		let sxy = 0;
		for (let i = 0; i < count; i++) {
			const w = kept[i] / sigma[i] ** 2;
			sxx += w * (x[i] - mx) ** 2;
			sxy += w * (x[i] - mx) * (y[i] - my);
		}
		// All x alike to within rounding: the slope would be noise divided by nothing.
		if (!(sxx > 1e-18 * s * Math.max(1, mx * mx))) return undefined;
		const slope = sxy / sxx;
		const intercept = my - slope * mx;
		const pulls = y.map((value, i) => (value - intercept - slope * x[i]) / sigma[i]);
		if (round === ROUNDS || count < 4) {
			let chi = 0;
			let effective = 0;
			for (let i = 0; i < count; i++) {
				chi += kept[i] * pulls[i] ** 2;
				effective += kept[i];
			}
			const misfit = effective > 2 ? Math.max(1, chi / (effective - 2)) : 1;
			return {
				intercept,
				slope,
				varIntercept: misfit * (1 / s + (mx * mx) / sxx),
				varSlope: misfit / sxx,
				covariance: (-misfit * mx) / sxx,
				kept
			};
		}
		const spread = Math.max(1, MEDIAN_TO_SD * (median(pulls.map(Math.abs)) ?? 0));
		kept = pulls.map((pull) => bisquareWeight(pull / spread));
		if (kept.filter((k) => k > 0.1).length < 2) kept = new Array<number>(count).fill(1);
	}
}
