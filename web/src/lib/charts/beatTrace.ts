import { scaleLinear } from 'd3-scale';
import { area } from 'd3-shape';
import type { Frame } from './frame';

/** Seconds that the picture shows: as long as one counts. */
export const TRACE_SECONDS = 5;
/** Points in each swell: enough for a smooth line, few enough to draw at once. */
const POINTS_A_BEAT = 16;

/** How the sound of two equal tones swells and fades: |cos(pi * rate * t)|. */
export function beatTrace(rate: number, { width, height, margin }: Frame) {
	const x = scaleLinear()
		.domain([0, TRACE_SECONDS])
		.range([margin.left, width - margin.right]);
	const middle = (margin.top + height - margin.bottom) / 2;
	const half = (height - margin.top - margin.bottom) / 2;
	const count = Math.max(60, Math.ceil(POINTS_A_BEAT * Math.abs(rate) * TRACE_SECONDS));
	const times = Array.from({ length: count + 1 }, (_, i) => (TRACE_SECONDS * i) / count);
	const swell = (t: number) => half * Math.abs(Math.cos(Math.PI * rate * t));
	return {
		path:
			area<number>()
				.x((t) => x(t))
				.y0((t) => middle - swell(t))
				.y1((t) => middle + swell(t))(times) ?? '',
		ticks: x.ticks(TRACE_SECONDS).map((value) => ({ value, x: x(value) })),
		x
	};
}
