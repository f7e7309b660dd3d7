import { extent } from 'd3-array';
import { scaleLinear, scaleTime } from 'd3-scale';
import { area, line } from 'd3-shape';
import { eachMonthOfInterval, format } from 'date-fns';
import type { DriftPrediction } from '@fendrel/core';
import type { Frame } from './frame';

/** An instrument in days to come. */
export interface DriftingLine {
	readonly name: string;
	readonly ahead: readonly DriftPrediction[];
}
/** Cents that the picture shows at least. */
const LEAST = 6;
const NAMES_APART = 16;
/** "now" takes so many pixels, and the next name half of its own. */
const NOW_WIDE = 48;
/** Two of three lie within it. */
const BAND = 1;

/** What some instruments are expected to be off, with bands. @param step days from one prediction to the next */
export function driftAhead(lines: readonly DriftingLine[], from: number, step: number, frame: Frame) {
	const { width, height, margin } = frame;
	const count = Math.max(2, ...lines.map(({ ahead }) => ahead.length));
	const dayOf = (i: number) => from + i * step * 86_400_000;
	const x = scaleTime()
		.domain([dayOf(0), dayOf(count - 1)])
		.range([margin.left, width - margin.right]);
	const all = lines.flatMap(({ ahead }) => ahead.flatMap(({ cents, error }) => [cents - error, cents + error]));
	const [low = 0, high = 0] = extent(all);
	const y = scaleLinear()
		.domain([Math.min(-LEAST, low), Math.max(2, high)])
		.nice(5)
		.range([height - margin.bottom, margin.top]);
	const path = line<DriftPrediction>()
		.x((_, i) => x(dayOf(i)))
		.y(({ cents }) => y(cents));
	const band = area<DriftPrediction>()
		.x((_, i) => x(dayOf(i)))
		.y0(({ cents, error }) => y(cents - BAND * error))
		.y1(({ cents, error }) => y(cents + BAND * error));
	const drawn = lines.map(({ name, ahead }) => ({
		...{ name, path: path(ahead) ?? '', band: band(ahead) ?? '' },
		labelY: y(ahead.at(-1)?.cents ?? 0)
	}));
	// Names that would lie on each other are moved apart, from the top down.
	let above = -Infinity;
	const labels = new Map<string, number>();
	for (const each of [...drawn].sort((a, b) => a.labelY - b.labelY)) {
		above = Math.max(each.labelY, above + NAMES_APART);
		labels.set(each.name, above);
	}
	const days = { start: new Date(dayOf(0)), end: new Date(dayOf(count - 1)) };
	return {
		y,
		ticks: y.ticks(5).map((value) => ({ value, y: y(value) })),
		// The month that is now is named by now.
		months: eachMonthOfInterval(days)
			.slice(1)
			.map((at) => ({ name: format(at, 'MMM'), x: x(at) }))
			.filter(({ x: place }) => place > margin.left + NOW_WIDE),
		lines: drawn.map((each) => ({ ...each, labelY: labels.get(each.name)! }))
	};
}
