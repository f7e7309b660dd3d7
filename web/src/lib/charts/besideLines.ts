import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { Compromise } from '@fendrel/core';
import type { Frame } from './frame';
import { noteAxis } from './noteAxis';

/** Cents that the picture shows at least, above and below. */
const LEAST = 3;

/** Two instruments note by note: how far apart, what each is moved by, what is left. */
export function besideLines(notes: readonly Compromise[], frame: Frame) {
	const { height, margin } = frame;
	const axis = noteAxis(notes[0].note, notes[notes.length - 1].note, frame);
	const [low = 0, high = 0] = extent(notes.flatMap(({ apart, first, second, left }) => [apart, first, second, left]));
	const y = scaleLinear()
		.domain([Math.min(-LEAST, low), Math.max(LEAST, high)])
		.nice(5)
		.range([height - margin.bottom, margin.top]);
	const of = (value: (each: Compromise) => number) =>
		line<Compromise>()
			.x(({ note }) => axis.x(note))
			.y((each) => y(value(each)))(notes)!;
	return {
		...axis,
		ticks: y.ticks(5).map((value) => ({ value, y: y(value) })),
		apart: of(({ apart }) => apart),
		first: of(({ first }) => first),
		second: of(({ second }) => second),
		left: of(({ left }) => left)
	};
}
