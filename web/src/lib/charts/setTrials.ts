import { max } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import type { Frame } from './frame';

/** What was set, by how much it differs from what was asked: below 0 too little, flat or narrow. */
export function setTrials(offs: readonly number[], least: number, most: number, { width, height, margin }: Frame) {
	const x = scaleLinear()
		.domain([0.5, Math.max(most, offs.length) + 0.5])
		.range([margin.left, width - margin.right]);
	const reach = Math.max(least, (max(offs, Math.abs) ?? 0) * 1.15);
	const y = scaleLinear()
		.domain([-reach, reach])
		.range([height - margin.bottom, margin.top]);
	return {
		zero: y(0),
		yTicks: y.ticks(5).map((value) => ({ value, y: y(value) })),
		xTicks: x
			.ticks(Math.min(most, 8))
			.filter(Number.isInteger)
			.map((value) => ({ value, x: x(value) })),
		marks: offs.map((off, i) => ({ x: x(i + 1), y: y(off), off }))
	};
}
