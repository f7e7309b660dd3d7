import { median } from 'd3-array';
import { bisquareWeight, MEDIAN_TO_SD } from './bisquare';
import { weightedLine } from './weighted';

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
		const line = weightedLine(
			x,
			y,
			kept.map((each, i) => each / sigma[i] ** 2)
		);
		if (!line) return undefined;
		const { meanX, slope, weight, spread } = line;
		const intercept = line.meanY - slope * meanX;
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
				varIntercept: misfit * (1 / weight + (meanX * meanX) / spread),
				varSlope: misfit / spread,
				covariance: (-misfit * meanX) / spread,
				kept
			};
		}
		const scatter = Math.max(1, MEDIAN_TO_SD * (median(pulls.map(Math.abs)) ?? 0));
		kept = pulls.map((pull) => bisquareWeight(pull / scatter));
		if (kept.filter((k) => k > 0.1).length < 2) kept = new Array<number>(count).fill(1);
	}
}
