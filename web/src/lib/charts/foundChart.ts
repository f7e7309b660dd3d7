import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { noteAxis } from './noteAxis';
import type { Frame } from './frame';

/** A note as it was found. */
export interface FoundNote {
	readonly note: number;
	/** Cents from the plan, and its standard error. */
	readonly offset: number;
	readonly error: number;
	/** Of several strings together, in cents; undefined with one. */
	readonly spread: number | undefined;
	readonly falseBeat: boolean;
	/** To be struck once more. */
	readonly again: boolean;
}

const LEAST_SPAN = 4;
const ERRORS_SHOWN = 2;

/** Pitches as found along the keyboard, against the plan. */
export function foundChart(notes: readonly FoundNote[], lowest: number, highest: number, frame: Frame) {
	const { height, margin } = frame;
	const axis = noteAxis(lowest, highest, frame);
	const [low = 0, high = 0] = extent(notes.flatMap(({ offset, error }) => [offset - error, offset + error])) as [
		number,
		number
	];
	const y = scaleLinear()
		.domain([Math.min(low - 1, -LEAST_SPAN), Math.max(high + 1, LEAST_SPAN)])
		.nice(6)
		.range([height - margin.bottom, margin.top]);
	const path = line<FoundNote>()
		.x(({ note }) => axis.x(note))
		.y(({ offset }) => y(offset));
	return {
		...axis,
		path: path([...notes].sort((a, b) => a.note - b.note)) ?? '',
		ticks: y.ticks(6).map((value) => ({ value, y: y(value) })),
		points: notes.map((found) => {
			const reach = found.spread !== undefined ? found.spread / 2 : ERRORS_SHOWN * found.error;
			return {
				...found,
				x: axis.x(found.note),
				y: y(found.offset),
				top: y(found.offset + reach),
				bottom: y(found.offset - reach)
			};
		})
	};
}
