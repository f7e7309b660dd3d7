import { extent } from 'd3-array';
import { scaleLinear, scaleUtc } from 'd3-scale';
import { line } from 'd3-shape';

/** One visit in cents from the instrument's usual pitch. */
export interface PitchPoint {
	readonly at: Date;
	readonly found: number | undefined;
	readonly left: number | undefined;
}

export interface Frame {
	readonly width: number;
	readonly height: number;
	readonly margin: { readonly top: number; readonly right: number; readonly bottom: number; readonly left: number };
}

/** Between visits the pitch is not known: each stretch runs from what was left to what was found next. */
export function pitchRecord(points: readonly PitchPoint[], { width, height, margin }: Frame) {
	const times = extent(points, ({ at }) => at) as [Date, Date];
	const figures = points.flatMap(({ found, left }) => [found, left]).filter((value) => value !== undefined);
	const [low = 0, high = 0] = extent(figures) as [number, number];
	const x = scaleUtc()
		.domain(
			times[0].getTime() === times[1].getTime()
				? [new Date(times[0].getTime() - 3e9), new Date(times[1].getTime() + 3e9)]
				: times
		)
		.range([margin.left, width - margin.right]);
	const y = scaleLinear()
		.domain([Math.min(low, -4), Math.max(high, 4)])
		.nice(5)
		.range([height - margin.bottom, margin.top]);
	const stretches = points.slice(1).flatMap((point, i) => {
		const before = points[i].left;
		return before === undefined || point.found === undefined
			? []
			: [
					line()([
						[x(points[i].at), y(before)],
						[x(point.at), y(point.found)]
					])!
				];
	});
	const marks = points.map(({ at, found, left }) => ({
		at,
		x: x(at),
		found: found === undefined ? undefined : y(found),
		left: left === undefined ? undefined : y(left)
	}));
	const most = Math.max(2, Math.min(8, Math.floor(width / 100)));
	const format = x.tickFormat(most);
	return {
		marks,
		stretches,
		xTicks: x.ticks(most).map((tick) => ({ x: x(tick), label: format(tick) })),
		yTicks: y.ticks(5).map((tick) => ({ y: y(tick), value: tick })),
		zero: y(0)
	};
}
