import { scaleLinear } from 'd3-scale';
import { noteName } from '@fendrel/core';
import type { Frame } from './pitchRecord';

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
