import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import type { Frame } from './frame';

/** One tread as it was proved, with how sure that is. */
export interface ProvedTread {
	readonly note: number;
	readonly rate: number;
	readonly error: number;
	readonly planned: number;
	/** It was played and heard; else it is reckoned from what each note reads. */
	readonly isHeard: boolean;
	/** It steps the wrong way. */
	readonly isInversion: boolean;
}

/** Sizes of beats as treads, with the planned ones as a line. */
export function provedStaircase(treads: readonly ProvedTread[], { width, height, margin }: Frame) {
	const sizes = treads.flatMap(({ rate, error, planned }) => [
		Math.abs(rate) - error,
		Math.abs(rate) + error,
		Math.abs(planned)
	]);
	const [low = 0, high = 1] = extent(sizes) as [number, number];
	const y = scaleLinear()
		.domain([Math.max(0, low), Math.max(high, low + 1)])
		.nice(4)
		.range([height - margin.bottom, margin.top]);
	const step = (width - margin.left - margin.right) / Math.max(1, treads.length);
	return {
		step,
		yTicks: y.ticks(4).map((value) => ({ value, y: y(value) })),
		treads: treads.map((tread, i) => {
			const size = Math.abs(tread.rate);
			return {
				...tread,
				x: margin.left + i * step,
				y: y(size),
				planY: y(Math.abs(tread.planned)),
				from: y(Math.max(0, size - tread.error)),
				to: y(size + tread.error)
			};
		})
	};
}
