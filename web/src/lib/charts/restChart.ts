import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { noteAxis } from './noteAxis';
import type { Frame } from './frame';

export const REST_KINDS = ['octave', 'fifth', 'fourth'] as const;

/** How far an interval that should rest lies from its plan, in cents of its upper note. */
export interface RestMark {
	readonly kind: (typeof REST_KINDS)[number];
	readonly note: number;
	readonly cents: number;
	readonly isHeard: boolean;
}

/** The least that the axis shows to either side, in cents. */
const LEAST = 2;

export function restChart(
	marks: readonly RestMark[],
	tolerance: number,
	range: readonly [number, number],
	frame: Frame
) {
	const { height, margin } = frame;
	const [low = 0, high = 0] = extent(marks, ({ cents }) => cents) as [number, number];
	const reach = Math.max(LEAST, 1.2 * tolerance, Math.abs(low), Math.abs(high));
	const y = scaleLinear()
		.domain([-reach, reach])
		.nice(4)
		.range([height - margin.bottom, margin.top]);
	const axis = noteAxis(range[0], range[1], frame);
	const place = { octave: -0.28, fifth: 0, fourth: 0.28 } as const;
	return {
		...axis,
		yTicks: y.ticks(5).map((value) => ({ value, y: y(value) })),
		band: { top: y(tolerance), bottom: y(-tolerance) },
		marks: marks.map((mark) => ({
			...mark,
			x: axis.x(mark.note) + place[mark.kind] * axis.step,
			y: y(mark.cents),
			isOut: Math.abs(mark.cents) > tolerance
		}))
	};
}
