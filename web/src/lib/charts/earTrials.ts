import { scaleLinear, scaleLog } from 'd3-scale';
import type { Frame } from './frame';

export interface EarTrialsOf {
	readonly trials: readonly { readonly size: number; readonly isRight: boolean }[];
	/** Sizes that may be played. */
	readonly smallest: number;
	readonly largest: number;
	/** So many answers the sitting has at least. */
	readonly most: number;
	readonly threshold: { readonly size: number; readonly low: number; readonly high: number } | undefined;
}

/** What was played and answered: sizes on a scale of ratios, one answer after the other, and where the threshold lies. */
export function earTrials(
	{ trials, smallest, largest, most, threshold }: EarTrialsOf,
	{ width, height, margin }: Frame
) {
	const x = scaleLinear()
		.domain([0.5, Math.max(most, trials.length) + 0.5])
		.range([margin.left, width - margin.right]);
	const y = scaleLog()
		.domain([smallest, largest])
		.range([height - margin.bottom, margin.top])
		.clamp(true);
	const yTicks = [0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20]
		.filter((value) => value >= smallest && value <= largest)
		.map((value) => ({ value, y: y(value) }));
	return {
		yTicks,
		xTicks: x
			.ticks(6)
			.filter(Number.isInteger)
			.map((value) => ({ value, x: x(value) })),
		marks: trials.map(({ size, isRight }, i) => ({ x: x(i + 1), y: y(size), isRight })),
		band: threshold && { y: y(threshold.size), low: y(threshold.low), high: y(threshold.high) }
	};
}
