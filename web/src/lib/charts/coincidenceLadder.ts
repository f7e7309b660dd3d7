import { partialHz, type IntervalKind, type StiffString } from '@fendrel/core';
import { scaleLog } from 'd3-scale';

export interface LadderFrame {
	readonly width: number;
	readonly height: number;
}

/** Frequency of a beat is far too small to see as a tilt; so it is drawn this many pixels per beat, up to a limit. */
const TILT_PER_BEAT = 2.2;
const MOST_TILT = 16;

/** Two notes' partials as uprights on one logarithmic height, and the coincident pair as a rung that tilts with its beat. */
export function coincidenceLadder(
	lower: StiffString,
	upper: StiffString,
	kind: IntervalKind,
	{ width, height }: LadderFrame
) {
	const count = Math.max(kind.lowerPartial + 1, 4);
	const y = scaleLog()
		.domain([partialHz(lower, 1), partialHz(lower, count)])
		.range([height - 34, 26]);
	const partialsOf = (string: StiffString, most: number) =>
		Array.from({ length: most }, (_, i) => ({ partial: i + 1, y: y(partialHz(string, i + 1)) })).filter(
			(each) => each.y > 8
		);
	const beat = partialHz(upper, kind.upperPartial) - partialHz(lower, kind.lowerPartial);
	const tilt = Math.sign(beat) * Math.min(MOST_TILT, TILT_PER_BEAT * Math.abs(beat));
	const middle = y(partialHz(lower, kind.lowerPartial));
	return {
		left: width * 0.24,
		right: width * 0.76,
		lower: partialsOf(lower, count),
		upper: partialsOf(upper, count),
		rung: { y1: middle + tilt / 2, y2: middle - tilt / 2 },
		bottom: height - 26
	};
}
