import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import type { Frame } from './frame';

export interface Move {
	readonly note: number;
	readonly found: number;
	readonly left: number | undefined;
}

/** How each note came and how it was left, in cents from its target. */
export function moves(records: readonly Move[], lowest: number, highest: number, { width, height, margin }: Frame) {
	const [low = 0, high = 0] = extent(records.flatMap(({ found, left }) => [found, left ?? found])) as [number, number];
	const y = scaleLinear()
		.domain([Math.min(-3, low), Math.max(3, high)])
		.nice(6)
		.range([height - margin.bottom, margin.top]);
	const x = scaleLinear()
		.domain([lowest - 0.5, highest + 0.5])
		.range([margin.left, width - margin.right]);
	const octaves = Array.from({ length: highest - lowest + 1 }, (_, i) => lowest + i).filter((note) => note % 12 === 0);
	return {
		marks: records.map(({ note, found, left }) => ({
			note,
			x: x(note),
			found: y(found),
			left: left === undefined ? undefined : y(left)
		})),
		xTicks: octaves.map((note) => ({ note, x: x(note) })),
		yTicks: y.ticks(6).map((value) => ({ value, y: y(value) })),
		zero: y(0)
	};
}
