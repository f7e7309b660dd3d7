import type { DayAsked } from './day';
import { emptyDay, withTasks } from './fill';
import { tourOf } from './tour';

/** A day this near to its bound is not sought further. */
const NEAR = 0.01;
/** So many parts of the search are looked at, at most. */
const MOST_LOOKED_AT = 6000;

/** Stops that are gone to for certain, and those of which nothing is said yet; all others are left out. */
interface Part {
	readonly taken: readonly number[];
	readonly open: readonly number[];
	/** No day of this part gains more. */
	readonly bound: number;
	/** The stop of which is said next. */
	readonly next: number | undefined;
}

/**
 * Branch and bound over stops, the most hopeful part first (Land and Doig 1960).
 * @returns the best stops found, and what no day gains more than
 */
export function searchStops(asked: DayAsked): { readonly chosen: readonly number[]; readonly bound: number } {
	const { stops } = asked;
	const gains = new Map<string, number>();
	const gainOf = (chosen: readonly number[]) => {
		const key = [...chosen].sort((a, b) => a - b).join();
		const known = gains.get(key) ?? gainBy(asked, chosen);
		gains.set(key, known);
		return known;
	};
	let best = improved(asked, [], gainOf);
	const parts = [
		partOf(
			asked,
			[],
			stops.map((_, i) => i),
			Infinity
		)
	];
	let bound = parts[0].bound;
	for (let looked = 0; looked < MOST_LOOKED_AT && parts.length; looked++) {
		const hopeful = parts.reduce((most, part, i) => (part.bound > parts[most].bound ? i : most), 0);
		const [part] = parts.splice(hopeful, 1);
		({ bound } = part);
		if (bound <= best.gain * (1 + NEAR)) break;
		const { next, taken, open } = part;
		// Nothing is open any more: the part is one day.
		if (next === undefined) {
			const gain = gainOf(taken);
			if (gain > best.gain) best = { gain, chosen: taken };
			bound = Math.max(best.gain, ...parts.map((each) => each.bound));
			continue;
		}
		const rest = open.filter((stop) => stop !== next);
		if (looked % 50 === 0) {
			const tried = improved(asked, [...taken, next], gainOf);
			if (tried.gain > best.gain) best = tried;
		}
		for (const one of [partOf(asked, [...taken, next], rest, bound), partOf(asked, taken, rest, bound)])
			if (one.bound > best.gain) parts.push(one);
		bound = Math.max(best.gain, ...parts.map((each) => each.bound));
	}
	return { chosen: best.chosen, bound: Math.max(bound, best.gain) };
}

/** What some stops gain: the shortest way round them, and the best work in the rest of the day. */
function gainBy({ stops, ways, minutes }: DayAsked, chosen: readonly number[]): number {
	const { minutes: way } = tourOf(
		chosen.map((i) => i + 1),
		ways
	);
	const left = Math.floor(minutes - way);
	if (left < 0) return -1;
	return withTasks(
		emptyDay(left),
		chosen.flatMap((i) => stops[i].tasks)
	)[left];
}

/** Better and better days from some stops on: one more, one fewer, one for another. */
function improved(asked: DayAsked, from: readonly number[], gainOf: (chosen: readonly number[]) => number) {
	let best = { gain: gainOf(from), chosen: from };
	for (;;) {
		const { chosen } = best;
		const others = asked.stops.map((_, i) => i).filter((i) => !chosen.includes(i));
		const near = [
			...others.map((i) => [...chosen, i]),
			...chosen.map((i) => chosen.filter((each) => each !== i)),
			...chosen.flatMap((out) => others.map((i) => [...chosen.filter((each) => each !== out), i]))
		];
		let step = best;
		for (const each of near) {
			const gain = gainOf(each);
			if (gain > step.gain + 1e-9) step = { gain, chosen: each };
		}
		if (step === best) return best;
		best = step;
	}
}

/**
 * A part of the search with its bound. A way round stops and home uses two ways at each of them, so it is no shorter than half of
 * the two shortest ways at each (a 2-matching's bound); each stop then has a price of its own, and what can be gained in the day at
 * these prices is a knapsack with set-ups.
 */
function partOf(
	{ stops, ways, minutes }: DayAsked,
	taken: readonly number[],
	open: readonly number[],
	most: number
): Part {
	const reached = [0, ...[...taken, ...open].map((i) => i + 1)];
	const price = (at: number) => {
		let [first, second] = [Infinity, Infinity];
		for (const to of reached) {
			if (to === at) continue;
			const way = ways[at][to];
			if (way < first) [first, second] = [way, first];
			else if (way < second) second = way;
		}
		// Of one stop alone the same way is gone twice.
		return (first + (reached.length > 2 ? second : first)) / 2;
	};
	const home = price(0);
	const prices = new Map([...taken, ...open].map((i) => [i, price(i + 1)]));
	const paid = home + taken.reduce((sum, i) => sum + prices.get(i)!, 0);
	const round = taken.length
		? tourOf(
				taken.map((i) => i + 1),
				ways
			).minutes
		: 0;
	// A tour of more stops is no shorter than that of fewer, where no way by a third place is shorter.
	const exact = taken.length <= 10 ? round : 0;
	const left = Math.floor(minutes - Math.max(exact, paid));
	// Of one stop alone two ways are one, and may be shorter than the halves say.
	const singles = taken.length === 0 ? open.map((i) => [i]) : taken.length === 1 ? [taken] : [];
	const alone = Math.max(-1, ...singles.map((single) => gainBy({ stops, ways, minutes }, single)));
	if (left < 0) return { taken, open, next: open.at(0), bound: alone };
	const certain = withTasks(
		emptyDay(left),
		taken.flatMap((i) => stops[i].tasks)
	);
	let day = certain;
	let next: { readonly stop: number; readonly gain: number } | undefined;
	for (const i of open) {
		const set = Math.floor(Math.max(0, prices.get(i)! - slack(exact, paid)));
		const gain = left >= set ? withTasks(certain, stops[i].tasks)[left - set] : 0;
		if (!next || gain > next.gain) next = { stop: i, gain };
		day = eitherOf(day, withTasks(shifted(day, set), stops[i].tasks));
	}
	return { taken, open, bound: Math.min(most, Math.max(day[left], alone)), next: next?.stop };
}

/** What was paid for the stops that are taken already pays a part of the others' prices. */
const slack = (exact: number, paid: number) => Math.max(0, exact - paid);

function shifted(day: Float64Array, by: number): Float64Array {
	const late = new Float64Array(day.length).fill(-Infinity);
	late.set(day.subarray(0, Math.max(0, day.length - by)), Math.min(by, day.length));
	return late;
}

function eitherOf(a: Float64Array, b: Float64Array): Float64Array {
	return a.map((gain, i) => Math.max(gain, b[i]));
}
