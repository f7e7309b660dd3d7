import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import type { Frame } from './frame';

/** One tread: the interval above a note and its beat rate. */
export interface Tread {
	readonly note: number;
	readonly rate: number;
}

/** Beat rates of successive intervals as treads of a staircase. */
export function staircase(treads: readonly Tread[], { width, height, margin }: Frame, beside: readonly Tread[] = []) {
	const [low = 0, high = 0] = extent([...treads, ...beside], ({ rate }) => rate) as [number, number];
	const y = scaleLinear()
		.domain([Math.min(0, low), Math.max(1, high)])
		.nice(4)
		.range([height - margin.bottom, margin.top]);
	const step = (width - margin.left - margin.right) / Math.max(1, treads.length);
	const place = (all: readonly Tread[]) =>
		all.map(({ note, rate }, i) => ({ note, rate, x: margin.left + i * step, y: y(rate) }));
	return {
		treads: place(treads),
		beside: place(beside),
		step,
		yTicks: y.ticks(4).map((value) => ({ value, y: y(value) })),
		zero: y(0)
	};
}
