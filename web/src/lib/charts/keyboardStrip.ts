import { isRaisedKey } from '@fendrel/core';
import { scaleLinear, scalePow } from 'd3-scale';

/** What is known of a note in this visit; cents from its target. */
export interface StripNote {
	readonly found: number | undefined;
	readonly left: number | undefined;
	readonly set: boolean;
}

export interface StripFrame {
	readonly width: number;
	readonly height: number;
}

const KEYS = 16;
const LABELS = 16;
const LEAST_REACH = 6;

/** The compass as slim columns on a common zero line, over the keys themselves. */
export function keyboardStrip(
	lowest: number,
	highest: number,
	notes: ReadonlyMap<number, StripNote>,
	{ width, height }: StripFrame
) {
	const count = highest - lowest + 1;
	const x = scaleLinear()
		.domain([lowest, highest + 1])
		.range([0, width]);
	const column = width / count;
	const top = height - KEYS - LABELS;
	const reach = Math.max(
		LEAST_REACH,
		...[...notes.values()].flatMap(({ found, left }) => [Math.abs(found ?? 0), Math.abs(left ?? 0)])
	);
	// Small deviations matter most once the work is near its end, so the scale opens around zero.
	const y = scalePow().exponent(0.7).domain([-reach, reach]).range([top, 0]);
	const signedY = (cents: number) => top / 2 + Math.sign(cents) * (y(Math.abs(cents)) - top / 2);
	const columns = Array.from({ length: count }, (_, i) => {
		const note = lowest + i;
		const { found, left, set = false } = notes.get(note) ?? {};
		return {
			note,
			raised: isRaisedKey(note),
			x: x(note),
			found: found === undefined ? undefined : signedY(found),
			left: left === undefined ? undefined : signedY(left),
			flat: (left ?? found ?? 0) < 0,
			set
		};
	});
	const labels = columns
		.filter(({ note }) => note % 12 === 0)
		.map(({ note, x: at }) => ({ note, x: Math.min(at + column / 2, width - 9) }));
	return { columns, labels, column, zero: top / 2, keysY: height - KEYS, labelsY: height - KEYS - 4, keys: KEYS };
}

/** The note under a horizontal place on the strip. */
export function noteAt(place: number, width: number, lowest: number, highest: number): number {
	const note = lowest + Math.floor((place / width) * (highest - lowest + 1));
	return Math.min(Math.max(note, lowest), highest);
}
