import { scaleBand } from 'd3-scale';
import type { Frame } from './frame';

const WEEK = 7 * 86_400_000;
export interface DueDot {
	readonly name: string;
	readonly x: number;
	readonly y: number;
	readonly isOver: boolean;
}

/** What falls due, week by week: a dot for each, those that are overdue in a column of their own before today. */
export function dueWeeks(
	due: readonly { readonly name: string; readonly due: number }[],
	now: number,
	weeks: number,
	frame: Frame
) {
	const { width, height, margin } = frame;
	const columns = Array.from({ length: weeks + 1 }, (_, i) => i - 1);
	const x = scaleBand<number>()
		.domain(columns)
		.range([margin.left, width - margin.right]);
	const columnOf = (at: number) => (at < now ? -1 : Math.floor((at - now) / WEEK));
	const heights = new Map<number, number>();
	const shown = due.filter((each) => columnOf(each.due) < weeks);
	const most = Math.max(1, ...columns.map((column) => shown.filter((each) => columnOf(each.due) === column).length));
	const step = Math.min(14, (height - margin.top - margin.bottom) / most);
	const dots = shown.map(({ name, due: at }): DueDot => {
		const column = columnOf(at);
		const place = heights.get(column) ?? 0;
		heights.set(column, place + 1);
		return {
			name,
			x: x(column)! + x.bandwidth() / 2,
			y: height - margin.bottom - step * (place + 0.5),
			isOver: column < 0
		};
	});
	const ticks = columns.map((column) => ({ column, x: x(column)! + x.bandwidth() / 2, at: now + column * WEEK }));
	return { dots, ticks, radius: Math.max(2, Math.min(5, step / 2 - 0.5)), base: height - margin.bottom };
}
