import { INTERVAL, type Trial } from './threshold';
import type { Estimate } from './setTrials';

/** Leans and scatters that are weighed, as shares of the task's usual threshold. */
const LEANS = Array.from({ length: 121 }, (_, i) => (i - 60) / 20);
const SCATTERS = Array.from({ length: 30 }, (_, i) => 0.2 * 1.12 ** i);
const LAPSE = 0.04;
/** Fewer answers say nothing of a lean. */
const LEAST = 20;

/** Area of the normal distribution below z (Abramowitz and Stegun 1964, 26.2.17; within 1e-7). */
function below(z: number): number {
	const t = 1 / (1 + 0.2316419 * Math.abs(z));
	const series = t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
	const tail = (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) * series;
	return z > 0 ? 1 - tail : tail;
}

/**
 * How far what is in tune seems sharp (above 0) or flat to a learner, or wide and narrow: answers as a normal function of what was
 * played, shifted by the lean; lean and scatter weighed on a grid, the scatter averaged over (Green and Swets 1966, ch. 4).
 * @param usual the task's usual threshold, the scale of the grid @returns undefined where too few answers have a sense
 */
export function leanOf(trials: readonly Trial[], usual: number): Estimate | undefined {
	const sensed = trials.filter(({ way }) => way !== undefined);
	if (sensed.length < LEAST) return undefined;
	const logs = LEANS.map((lean) =>
		SCATTERS.map((scatter) =>
			sensed.reduce((sum, { size, isRight, way }) => {
				const sharp = LAPSE / 2 + (1 - LAPSE) * below(((way! * size) / usual + lean) / scatter);
				return sum + Math.log(isRight === way! > 0 ? sharp : 1 - sharp);
			}, 0)
		)
	);
	const most = Math.max(...logs.flat());
	const weights = logs.map((row) => row.reduce((sum, log) => sum + Math.exp(log - most), 0));
	const all = weights.reduce((sum, weight) => sum + weight, 0);
	const at = (share: number) => {
		let sum = 0;
		return usual * LEANS[weights.findIndex((weight) => (sum += weight) >= share * all)];
	};
	const tail = (1 - INTERVAL) / 2;
	return { value: at(0.5), low: at(tail), high: at(1 - tail) };
}
