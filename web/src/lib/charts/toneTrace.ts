import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { Frame } from './frame';

/** Where a tone stood at a moment: seconds since it began, cents from the note it was nearest to. */
export interface TracePoint {
	readonly at: number;
	readonly cents: number;
	readonly note: number;
	readonly level: number;
}

/** No picture spans less than so many cents to either side: a still tone is to look still. */
const LEAST = 5;
/** Nor fewer seconds. */
const SECONDS = 4;

export function toneTrace(points: readonly TracePoint[], { width, height, margin }: Frame) {
	const last = points.at(-1);
	// A tone that slid to another note is shown from that one.
	const own = points.filter(({ note }) => note === last?.note);
	const [first = 0, end = SECONDS] = extent(own, ({ at }) => at);
	const [low = -LEAST, high = LEAST] = extent(own, ({ cents }) => cents);
	const x = scaleLinear()
		.domain([first, Math.max(end, first + SECONDS)])
		.range([margin.left, width - margin.right]);
	const y = scaleLinear()
		.domain([Math.min(-LEAST, low - 1), Math.max(LEAST, high + 1)])
		.nice()
		.range([height - margin.bottom, margin.top]);
	return {
		path: line<TracePoint>(
			({ at }) => x(at),
			({ cents }) => y(cents)
		)(own)!,
		xTicks: x.ticks(5).map((value) => ({ value, x: x(value) })),
		yTicks: y.ticks(5).map((value) => ({ value, y: y(value) }))
	};
}
