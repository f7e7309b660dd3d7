import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { Frame } from './frame';

/** Where a reed stood after so many strokes, in cents from where it is to stand. */
export interface FiledPoint {
	readonly strokes: number;
	readonly off: number;
}
/** What the next bite is thought to do. */
export interface NextBite {
	readonly strokes: number;
	readonly then: number;
	readonly error: number;
}

/** No picture spans less than so many cents and strokes. */
const LEAST = { cents: 4, strokes: 8 } as const;

export function filingTrace(
	points: readonly FiledPoint[],
	next: NextBite | undefined,
	{ width, height, margin }: Frame
) {
	const last = points.at(-1);
	const ahead = last && next && { ...next, strokes: last.strokes + next.strokes };
	const all = [...points.map(({ off }) => off), ...(ahead ? [ahead.then - ahead.error, ahead.then + ahead.error] : [])];
	const most = Math.max(LEAST.strokes, (ahead ?? last)?.strokes ?? 0);
	const x = scaleLinear()
		.domain([0, most])
		.range([margin.left, width - margin.right]);
	const y = scaleLinear()
		.domain([Math.min(-LEAST.cents / 2, ...all), Math.max(LEAST.cents, ...all)])
		.nice()
		.range([height - margin.bottom, margin.top]);
	const at = ({ strokes, off }: FiledPoint) => ({ x: x(strokes), y: y(off) });
	return {
		points: points.map(at),
		path: line<FiledPoint>(
			({ strokes }) => x(strokes),
			({ off }) => y(off)
		)(points),
		next: ahead && {
			from: at(last),
			to: at({ strokes: ahead.strokes, off: ahead.then }),
			low: y(ahead.then - ahead.error),
			high: y(ahead.then + ahead.error)
		},
		xTicks: x
			.ticks(8)
			.filter(Number.isInteger)
			.map((value) => ({ value, x: x(value) })),
		yTicks: y.ticks(4).map((value) => ({ value, y: y(value) }))
	};
}
