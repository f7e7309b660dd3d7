import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { Frame } from './frame';

export interface SettleCurve {
	readonly curve: readonly { readonly since: number; readonly cents: number }[];
	readonly figure: number | undefined;
}

export const SETTLE_SECONDS = 2.5;
const LEAST_SPAN = 4;

/** Cents of the strikes against time since the strike, with the target as a lane as wide as the tolerance, and
 * within it the half that a string must keep to if it is to hold. */
export function settleChart(
	strikes: readonly SettleCurve[],
	tolerance: number,
	moment: number,
	{ width, height, margin }: Frame
) {
	const all = strikes.flatMap(({ curve, figure }) => [
		...curve.map(({ cents }) => cents),
		...(figure === undefined ? [] : [figure])
	]);
	const [low = 0, high = 0] = extent(all) as [number, number];
	const span = Math.max(LEAST_SPAN, 2.5 * tolerance);
	const y = scaleLinear()
		.domain([Math.min(low - 1, -span), Math.max(high + 1, span)])
		.nice(6)
		.range([height - margin.bottom, margin.top]);
	const x = scaleLinear()
		.domain([0, SETTLE_SECONDS])
		.range([margin.left, width - margin.right]);
	const path = line<{ since: number; cents: number }>()
		.x(({ since }) => x(since))
		.y(({ cents }) => y(cents));
	const lane = (half: number) => ({ y: y(half), height: y(-half) - y(half) });
	return {
		xTicks: x.ticks(width < 420 ? 3 : 5).map((value) => ({ value, x: x(value) })),
		yTicks: y.ticks(6).map((value) => ({ value, y: y(value) })),
		lane: lane(tolerance),
		aim: lane(tolerance / 2),
		zero: y(0),
		moment: x(moment),
		curves: strikes.map(({ curve, figure }) => {
			const shown = curve.filter(({ since }) => since <= SETTLE_SECONDS);
			const last = shown.at(-1);
			return {
				path: path(shown) ?? '',
				end: last && { x: x(last.since), y: y(last.cents) },
				figure: figure === undefined ? undefined : { x: x(moment), y: y(figure) }
			};
		})
	};
}
