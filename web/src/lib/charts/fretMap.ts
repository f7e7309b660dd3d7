import { scaleLinear } from 'd3-scale';
import { placeOf, type FretEnds, type Neck } from '@fendrel/core';

/** A fret as a picture of its neck shows it: mm from the nut. */
export interface ShownFret {
	readonly fret: number;
	/** Where it lies now, and where it goes. */
	readonly now: FretEnds;
	readonly then: FretEnds;
	/** Where strings want it. */
	readonly wishes: readonly {
		readonly string: number;
		readonly across: number;
		readonly place: number;
		readonly isRead: boolean;
	}[];
	readonly said: string;
}
export interface MapFrame {
	readonly width: number;
	readonly height: number;
}

const MARGIN = { left: 58, right: 18, top: 14, bottom: 26 } as const;
/** Share of the height that the strings take at the nut, and at the right edge. */
const SPREAD = { nut: 0.74, end: 0.94 } as const;
/** Beyond the last fret there is some neck. */
const BEYOND = 1.06;
/** Frets reach so many pixels beyond the outer strings. */
const OVER = 8;

/** A neck to scale, seen from its player: the highest string on top, the nut to the left. */
export function fretPicture(
	neck: Pick<Neck, 'strings' | 'scale' | 'frets'>,
	frets: readonly ShownFret[],
	{ width, height }: MapFrame
) {
	const last = BEYOND * placeOf(neck.scale, 100 * neck.frets);
	const x = scaleLinear()
		.domain([0, last])
		.range([MARGIN.left, width - MARGIN.right]);
	const room = height - MARGIN.top - MARGIN.bottom;
	const middle = MARGIN.top + room / 2;
	const spread = scaleLinear()
		.domain([0, last])
		.range([SPREAD.nut * room - 2 * OVER, SPREAD.end * room - 2 * OVER]);
	const y = (across: number, place: number) => middle + (0.5 - across) * spread(place);
	const count = neck.strings.length;
	const lineOf = ({ low, high }: FretEnds) => ({
		...{ x1: x(low), y1: y(0, low) + OVER, x2: x(high), y2: y(1, high) - OVER }
	});
	return {
		nut: { x: x(0), top: y(1, 0) - OVER, bottom: y(0, 0) + OVER },
		board: [
			[x(0), y(1, 0) - OVER],
			[x(last), y(1, last) - OVER],
			[x(last), y(0, last) + OVER],
			[x(0), y(0, 0) + OVER]
		]
			.map((point) => point.join())
			.join(' '),
		strings: neck.strings.map(({ note }, i) => {
			const across = count === 1 ? 0 : (count - 1 - i) / (count - 1);
			return { note, thick: 1 + (1.6 * i) / count, x1: x(0), y1: y(across, 0), x2: x(last), y2: y(across, last) };
		}),
		frets: frets.map(({ fret, now, then, wishes, said }) => ({
			...{ fret, said, now: lineOf(now), then: lineOf(then), label: x((then.low + then.high) / 2) },
			isMoved: now.low !== then.low || now.high !== then.high,
			dots: wishes.map(({ string, across, place, isRead }) => ({ string, isRead, x: x(place), y: y(across, place) }))
		})),
		labelY: height - 6
	};
}
