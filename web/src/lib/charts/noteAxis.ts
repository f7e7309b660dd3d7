import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { noteName } from '@fendrel/core';
import type { Frame } from './frame';

/** Notes from left to right, a place in the middle of each key, and the Cs named. */
export function noteAxis(lowest: number, highest: number, { width, margin }: Pick<Frame, 'width' | 'margin'>) {
	const count = highest - lowest + 1;
	const step = (width - margin.left - margin.right) / count;
	const x = scaleLinear()
		.domain([lowest - 0.5, highest + 0.5])
		.range([margin.left, width - margin.right]);
	const labels = Array.from({ length: count }, (_, i) => lowest + i)
		.filter((note) => note % 12 === 0 || (note === lowest && 12 - (note % 12) > 4))
		.map((note) => ({ note, x: x(note), name: noteName(note) }));
	const noteAt = (place: number) => Math.min(Math.max(Math.round(x.invert(place)), lowest), highest);
	return { x, step, labels, noteAt };
}

/** Bands reach this many standard errors: nineteen times in twenty the truth lies inside. */
export const BAND = 2;

/** What runs along the keyboard: a line through one value a note, and the band between two. */
export function alongNotes(x: (note: number) => number, lowest: number, y: (value: number) => number) {
	const path = line<number>()
		.x((_, i) => x(lowest + i))
		.y(y);
	const between = area<readonly [number, number]>()
		.x((_, i) => x(lowest + i))
		.y0(([low]) => y(low))
		.y1(([, high]) => y(high));
	return {
		path: (values: readonly number[]) => path(values)!,
		band: (reaches: readonly (readonly [number, number])[]) => between(reaches)!
	};
}
