import { extent } from 'd3-array';
import { scaleLog, scaleUtc } from 'd3-scale';
import type { Frame } from './frame';

export interface EarSitting {
	/** Milliseconds since 1970. */
	readonly at: number;
	readonly figure: { readonly size: number; readonly low: number; readonly high: number };
}

/** Figures from sitting to sitting, each with what it leaves open. */
export function earRecord(sittings: readonly EarSitting[], now: number, { width, height, margin }: Frame) {
	const [first = now] = extent(sittings, ({ at }) => at);
	const DAY = 86_400_000;
	const x = scaleUtc()
		.domain([new Date(Math.min(first, now - 7 * DAY)), new Date(now + DAY)])
		.range([margin.left, width - margin.right]);
	const [low = 0.1, high = 10] = extent(sittings.flatMap(({ figure }) => [figure.low, figure.high]));
	const y = scaleLog()
		.domain([low / 1.15, high * 1.15])
		.range([height - margin.bottom, margin.top]);
	const most = Math.max(2, Math.min(5, Math.floor(width / 110)));
	const format = x.tickFormat(most);
	return {
		marks: sittings.map(({ at, figure }) => ({
			...{ x: x(new Date(at)), y: y(figure.size) },
			...{ low: y(figure.low), high: y(figure.high) }
		})),
		xTicks: x.ticks(most).map((tick) => ({ x: x(tick), label: format(tick) })),
		yTicks: [0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20]
			.filter((value) => value >= low / 1.15 && value <= high * 1.15)
			.map((value) => ({ value, y: y(value) }))
	};
}
