import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { noteAxis } from './noteAxis';
import type { Frame } from './frame';

/** What a note is set to in a pass, in cents from its target. */
export interface PassBar {
	readonly note: number;
	readonly over: number;
	/** Where it comes to when all are set. */
	readonly left: number;
	readonly isHeld: boolean;
}

export function passChart(bars: readonly PassBar[], lowest: number, highest: number, frame: Frame) {
	const { height, margin } = frame;
	const axis = noteAxis(lowest, highest, frame);
	const [low = 0, high = 0] = extent(bars.flatMap(({ over, left }) => [over, left])) as [number, number];
	const y = scaleLinear()
		.domain([Math.min(low, -2), Math.max(high, 2)])
		.nice(4)
		.range([height - margin.bottom, margin.top]);
	const wide = Math.max(2, axis.step * 0.66);
	return {
		...axis,
		zero: y(0),
		bars: bars.map(({ note, over, left, isHeld }) => ({
			...{ note, isHeld, x: axis.x(note) - wide / 2, width: wide, over },
			y: Math.min(y(over), y(0)),
			height: Math.abs(y(over) - y(0)),
			left: y(left),
			middle: axis.x(note)
		})),
		ticks: y.ticks(4).map((value) => ({ value, y: y(value) }))
	};
}
