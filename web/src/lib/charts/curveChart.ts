import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { alongNotes, BAND, noteAxis } from './noteAxis';
import type { Frame } from './frame';

/** Cents by note, from the lowest note upwards. */
export interface CurveData {
	readonly lowest: number;
	readonly highest: number;
	readonly drawn: readonly number[];
	/** Standard errors of `drawn`. */
	readonly errors: readonly number[];
	/** Another curve to compare with. */
	readonly beside: readonly number[] | undefined;
	/** Where notes stand, as far as they were read. */
	readonly standing: readonly { readonly note: number; readonly cents: number }[];
	readonly held: readonly number[];
}

const LEAST_REACH = 8;

export function curveChart(data: CurveData, frame: Frame) {
	const { lowest, highest, drawn, errors, beside, standing, held } = data;
	const { height, margin } = frame;
	const axis = noteAxis(lowest, highest, frame);
	// A stray note must not flatten the curve that the picture is about.
	const [low = 0, high = 0] = extent([...drawn, ...(beside ?? [])]) as [number, number];
	const y = scaleLinear()
		.domain([Math.min(low, -LEAST_REACH) - 4, Math.max(high, LEAST_REACH) + 4])
		.range([height - margin.bottom, margin.top])
		.clamp(true);
	const { path, band } = alongNotes(axis.x, lowest, y);
	return {
		...axis,
		y,
		drawn: path(drawn),
		band:
			errors.length === drawn.length
				? band(drawn.map((value, i) => [value - BAND * errors[i], value + BAND * errors[i]]))
				: undefined,
		beside: beside && path(beside),
		dots: standing.map(({ note, cents }) => ({ note, x: axis.x(note), y: y(cents) })),
		held: held
			.filter((note) => note >= lowest && note <= highest)
			.map((note) => ({ note, x: axis.x(note), y: y(drawn[note - lowest]) })),
		ticks: y.ticks(6).map((value) => ({ value, y: y(value) }))
	};
}
