import { checkDay, type ChosenDay, type DayAsked, type DayStop } from './day';
import { bestTasks, emptyDay, withTasks } from './fill';
import { searchStops } from './searchStops';
import { MOST_EXACT, tourOf, toursOf } from './tour';

/**
 * The stops and the work that gain most in a day: the best of all days where there are ten stops or fewer, else the best found, with
 * a bound that no day can pass.
 * @throws RangeError as `checkDay`
 */
export function chooseDay(asked: DayAsked): ChosenDay {
	checkDay(asked);
	const { minutes, ways } = asked;
	// What gains nothing, or cannot be reached and done in the day, is no stop.
	const open = asked.stops
		.map((stop, i) => ({ stop: worth(stop, minutes - 2 * ways[0][i + 1]), at: i + 1 }))
		.filter(({ stop }) => stop.tasks.length > 0);
	const stops = open.map(({ stop }) => stop);
	const near = [0, ...open.map(({ at }) => at)];
	const between = near.map((from) => near.map((to) => ways[from][to]));
	const sought = { stops, ways: between, minutes };
	const { chosen, bound } = stops.length <= MOST_EXACT ? bestStops(sought) : searchStops(sought);
	return dayOf(sought, chosen, bound);
}

const worth = ({ id, tasks }: DayStop, left: number): DayStop => ({
	id,
	tasks: tasks.filter(({ gain, minutes }) => gain > 0 && minutes <= left)
});

/** Every set of stops is looked at: its shortest way round, and what fills the rest best. */
function bestStops({ stops, ways, minutes }: DayAsked): { readonly chosen: readonly number[]; readonly bound: number } {
	const tours = toursOf(
		stops.map((_, i) => i + 1),
		ways
	);
	let best = { gain: 0, set: 0 };
	const look = (next: number, set: number, day: Float64Array) => {
		if (next === stops.length) {
			const left = Math.floor(minutes - tours[set]);
			if (left >= 0 && day[left] > best.gain) best = { gain: day[left], set };
			return;
		}
		look(next + 1, set, day);
		look(next + 1, set | (1 << next), withTasks(day, stops[next].tasks));
	};
	look(0, 0, emptyDay(minutes));
	const chosen = stops.map((_, i) => i).filter((i) => best.set & (1 << i));
	return { chosen, bound: best.gain };
}

/** @param chosen places of the stops in what was asked */
function dayOf({ stops, ways, minutes }: DayAsked, chosen: readonly number[], bound: number): ChosenDay {
	const { order } = tourOf(
		chosen.map((i) => i + 1),
		ways
	);
	const inOrder = order.map((at) => stops[at - 1]);
	const round = [...order, 0].map((at, i) => ways[i ? order[i - 1] : 0][at]);
	const way = round.reduce((sum, each) => sum + each, 0);
	const tasks = bestTasks(inOrder, Math.floor(minutes - way));
	const all = tasks.flat();
	return {
		stops: inOrder.map(({ id }, i) => ({ id, way: round[i], tasks: tasks[i] })),
		gain: all.reduce((sum, { gain }) => sum + gain, 0),
		minutes: way + all.reduce((sum, task) => sum + task.minutes, 0),
		...{ way, bound }
	};
}
