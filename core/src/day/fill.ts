import type { DayStop, DayTask } from './day';

/** The most that can be gained in so many minutes, by minutes: no way is counted. */
export type Filled = Float64Array;

/** @param minutes that there are @returns nothing gained yet */
export const emptyDay = (minutes: number): Filled => new Float64Array(minutes + 1);

/** Adds work to a day, each task once or not at all (knapsack by minutes; Bellman 1957). @returns a new day */
export function withTasks(day: Filled, tasks: readonly DayTask[]): Filled {
	const filled = day.slice();
	for (const { minutes, gain } of tasks)
		if (gain > 0)
			for (let at = filled.length - 1; at >= minutes; at--)
				if (filled[at - minutes] + gain > filled[at]) filled[at] = filled[at - minutes] + gain;
	return filled;
}

/** Which tasks of some stops fill so many minutes best. */
export function bestTasks(stops: readonly DayStop[], minutes: number): readonly (readonly DayTask[])[] {
	const all = stops.flatMap(({ tasks }, stop) => tasks.filter(({ gain }) => gain > 0).map((task) => ({ stop, task })));
	const days = [emptyDay(minutes)];
	for (const { task } of all) days.push(withTasks(days.at(-1)!, [task]));
	const taken: DayTask[][] = stops.map(() => []);
	let left = minutes;
	for (let i = all.length; i > 0; i--) {
		if (days[i][left] === days[i - 1][left]) continue;
		const { stop, task } = all[i - 1];
		taken[stop].unshift(task);
		left -= task.minutes;
	}
	return taken;
}
