import { partialHz, type StiffString } from '@fendrel/core';
import { scaleLog } from 'd3-scale';

export interface LadderFrame {
	readonly width: number;
	readonly height: number;
}

/** Frequency of a beat is far too small to see as a tilt; so it is drawn this many pixels per beat, up to a limit. */
const TILT_PER_BEAT = 2.2;
const MOST_TILT = 16;

/** A further pair of partials that meets, to be drawn fainter. */
export interface Rung {
	readonly lowerPartial: number;
	readonly upperPartial: number;
}

/** Two notes' partials as uprights on one logarithmic height, and coincident pairs as rungs that tilt with their beat. */
export function coincidenceLadder(
	lower: StiffString,
	upper: StiffString,
	kind: Rung,
	{ width, height }: LadderFrame,
	others: readonly Rung[] = []
) {
	const count = Math.max(4, ...[kind, ...others].map(({ lowerPartial }) => lowerPartial + 1));
	const y = scaleLog()
		.domain([partialHz(lower, 1), partialHz(lower, count)])
		.range([height - 34, 26]);
	const partialsOf = (string: StiffString, most: number) =>
		Array.from({ length: most }, (_, i) => ({ partial: i + 1, y: y(partialHz(string, i + 1)) })).filter(
			(each) => each.y > 8
		);
	const rung = ({ lowerPartial, upperPartial }: Rung) => {
		const beat = partialHz(upper, upperPartial) - partialHz(lower, lowerPartial);
		const tilt = Math.sign(beat) * Math.min(MOST_TILT, TILT_PER_BEAT * Math.abs(beat));
		const middle = y(partialHz(lower, lowerPartial));
		return { lowerPartial, upperPartial, y1: middle + tilt / 2, y2: middle - tilt / 2 };
	};
	return {
		left: width * 0.24,
		right: width * 0.76,
		lower: partialsOf(lower, count),
		upper: partialsOf(upper, count),
		rung: rung(kind),
		others: others.map(rung),
		bottom: height - 26
	};
}
