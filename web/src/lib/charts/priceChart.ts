import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { Frame } from './frame';

/** What one A4 costs. */
export interface PricePoint {
	/** Hz. */
	readonly a4: number;
	/** Strings to move. */
	readonly strings: number;
	/** Cents that a string is moved on average. */
	readonly mean: number;
}

export interface PriceData {
	/** From the lowest A4 to the highest. */
	readonly points: readonly PricePoint[];
	readonly all: number;
	/** Pitches worth a line of their own. */
	readonly marks: readonly { readonly id: string; readonly a4: number; readonly words: string }[];
	/** Pitches that are known for something: marked at the foot. */
	readonly known: readonly { readonly id: string; readonly a4: number; readonly words: string }[];
	/** Between which the least movement lies. */
	readonly range: readonly [low: number, high: number] | undefined;
}

/** Width of a letter: words that would touch stand on two levels. */
const LETTER = 8.2;
const SMALL = 7;

export function priceChart({ points, all, marks, known, range }: PriceData, { width, height, margin }: Frame) {
	const x = scaleLinear()
		.domain([points[0].a4, points[points.length - 1].a4])
		.range([margin.left, width - margin.right])
		.clamp(true);
	const foot = height - margin.bottom;
	const strings = scaleLinear()
		.domain([0, Math.max(1, all)])
		.range([foot, margin.top]);
	const farthest = Math.max(1, ...points.map(({ mean }) => mean));
	const mean = scaleLinear().domain([0, farthest]).range([foot, margin.top]);
	const along = (y: (point: PricePoint) => number) =>
		line<PricePoint>()
			.x(({ a4 }) => x(a4))
			.y(y)(points)!;
	const ends: number[] = [];
	const placed = [...marks]
		.sort((a, b) => a.a4 - b.a4)
		.map((mark) => {
			const at = x(mark.a4);
			const long = LETTER * mark.words.length + 10;
			const isLeft = at + long > width;
			const [from, to] = isLeft ? [at - long, at] : [at, at + long];
			let level = 0;
			while (ends[level] !== undefined && from < ends[level]) level++;
			ends[level] = to;
			return { ...mark, x: at, level, isLeft };
		});
	let end = -Infinity;
	const atFoot = [...known]
		.sort((a, b) => a.a4 - b.a4)
		.map((mark) => {
			const at = x(mark.a4);
			const half = (SMALL * mark.words.length) / 2;
			// Where words would touch, the mark stands alone.
			const words = at - half > end && at + half < width ? mark.words : '';
			if (words) end = at + half + SMALL;
			return { ...mark, x: at, words };
		});
	return {
		x,
		foot,
		known: atFoot,
		strings: along((point) => strings(point.strings)),
		mean: along((point) => mean(point.mean)),
		farthest,
		marks: placed,
		range: range && ([x(range[0]), x(range[1])] as const),
		xTicks: x.ticks(8).map((value) => ({ value, x: x(value) })),
		yTicks: [0, Math.round(all / 2), all].map((value) => ({ value, y: strings(value) })),
		a4At: (place: number) => x.invert(place)
	};
}
