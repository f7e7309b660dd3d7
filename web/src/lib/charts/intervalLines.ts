import { scalePow } from 'd3-scale';
import { line } from 'd3-shape';
import type { IntervalRun } from '@fendrel/core';
import { noteAxis } from './noteAxis';
import type { Frame } from './frame';

const LEAST_REACH = 1.5;
/** Pixels between two names at the right edge. */
const APART = 17;

const isJudged = ({ judged: [from, to] }: IntervalRun['kind'], { lower }: { readonly lower: number }) =>
	lower >= from && lower <= to;

/** Beats of interval types by their lower note: strong where ears judge by them, faint elsewhere, none that nobody follows. */
export function intervalLines(
	runs: readonly IntervalRun[],
	lowest: number,
	highest: number,
	selected: number,
	frame: Frame
) {
	const { height, margin } = frame;
	const axis = noteAxis(lowest, highest, frame);
	const judged = runs.flatMap(({ along, kind }) =>
		along.filter((each) => each.followed && isJudged(kind, each)).map(({ rate }) => rate)
	);
	const reach = [Math.min(-LEAST_REACH, ...judged), Math.max(LEAST_REACH, ...judged)];
	// Slow beats decide and fast ones only frighten: the scale opens around nought.
	const y = scalePow()
		.exponent(0.5)
		.domain(reach)
		.range([height - margin.bottom, margin.top]);
	const lines = runs.map(({ kind, along }) => {
		const path = line<(typeof along)[number]>()
			.defined(({ followed }) => followed)
			.x(({ lower }) => axis.x(lower))
			.y(({ rate }) => y(rate));
		const inside = along.filter((each) => isJudged(kind, each));
		const here = along.find(({ lower, followed }) => lower === selected && followed);
		return {
			name: kind.name,
			faint: path(along) ?? '',
			strong: path(inside) ?? '',
			here: here && { x: axis.x(selected), y: y(here.rate), rate: here.rate },
			labelY: y(inside.filter(({ followed }) => followed).at(-1)?.rate ?? 0)
		};
	});
	return {
		...axis,
		y,
		lines: spread(lines, margin.top, height - margin.bottom),
		ticks: ticksWithin(reach, y)
	};
}

const TICKS = [-20, -10, -5, -2, -1, -0.5, 0, 0.5, 1, 2, 5, 10, 20];
const TICKS_APART = 15;

/** Round rates that do not crowd each other, nought first. */
function ticksWithin([low, high]: readonly number[], y: (value: number) => number) {
	const kept: { readonly value: number; readonly y: number }[] = [];
	for (const value of [...TICKS].sort((a, b) => Math.abs(a) - Math.abs(b) || b - a))
		if (value >= low && value <= high && kept.every((each) => Math.abs(each.y - y(value)) >= TICKS_APART))
			kept.push({ value, y: y(value) });
	return kept;
}

/** Moves names apart that would lie on each other, without leaving the picture. */
function spread<T extends { readonly labelY: number }>(lines: readonly T[], top: number, bottom: number): T[] {
	const order = lines.map((_, i) => i).sort((a, b) => lines[a].labelY - lines[b].labelY);
	const places = order.map((i) => Math.min(Math.max(lines[i].labelY, top + 6), bottom - 6));
	for (let i = 1; i < places.length; i++) places[i] = Math.max(places[i], places[i - 1] + APART);
	const over = Math.max(0, (places.at(-1) ?? 0) - (bottom - 4));
	return lines.map((line, i) => ({ ...line, labelY: places[order.indexOf(i)] - over }));
}
