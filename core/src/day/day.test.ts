import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { chooseDay } from './chooseDay';
import type { DayAsked } from './day';
import { searchStops } from './searchStops';
import { simulatedRound } from './simulatedRound';
import { tourOf } from './tour';

function* orders<T>(of: readonly T[]): Generator<readonly T[]> {
	if (of.length === 0) yield [];
	for (const [i, first] of of.entries())
		for (const rest of orders([...of.slice(0, i), ...of.slice(i + 1)])) yield [first, ...rest];
}

const subsets = <T>(of: readonly T[]): readonly (readonly T[])[] =>
	of.reduce<readonly (readonly T[])[]>((all, each) => [...all, ...all.map((one) => [...one, each])], [[]]);

const roundOf = (order: readonly number[], ways: DayAsked['ways']) =>
	[...order, 0].reduce((sum, stop, i) => sum + ways[i ? order[i - 1] : 0][stop], 0);

/** Every order of every set of stops, and every set of tasks there. */
function bruteForce({ stops, ways, minutes }: DayAsked): number {
	let best = 0;
	for (const chosen of subsets(stops.map((_, i) => i + 1))) {
		const round = Math.min(...[...orders(chosen)].map((order) => roundOf(order, ways)));
		for (const tasks of subsets(chosen.flatMap((at) => stops[at - 1].tasks))) {
			const takes = tasks.reduce((sum, task) => sum + task.minutes, 0);
			if (round + takes <= minutes)
				best = Math.max(
					best,
					tasks.reduce((sum, { gain }) => sum + gain, 0)
				);
		}
	}
	return best;
}

describe('a day', () => {
	it('gains as much as the best of all days that there are', () => {
		fc.assert(
			fc.property(fc.nat(1e6), fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 9 }), (seed, places, many) => {
				const asked = simulatedRound(seed, places, many, 240);
				const day = chooseDay(asked);
				const best = bruteForce(asked);
				expect(day.gain).toBeCloseTo(best, 9);
				expect(day.bound).toBeCloseTo(best, 9);
				// A search by parts comes to the same, or says how much may be missing.
				const { bound } = searchStops(asked);
				expect(bound).toBeGreaterThanOrEqual(best - 1e-9);
			}),
			{ numRuns: 60 }
		);
	});

	it('keeps to its minutes, ways and all, and does nothing twice', () => {
		fc.assert(
			fc.property(fc.nat(1e6), fc.integer({ min: 1, max: 13 }), (seed, places) => {
				const asked = simulatedRound(seed, places, 30);
				const day = chooseDay(asked);
				const order = day.stops.map(({ id }) => 1 + asked.stops.findIndex((stop) => stop.id === id));
				const tasks = day.stops.flatMap((stop) => stop.tasks);
				expect(day.way).toBeCloseTo(roundOf(order, asked.ways), 9);
				expect(day.minutes).toBeCloseTo(day.way + tasks.reduce((sum, { minutes }) => sum + minutes, 0), 9);
				expect(day.minutes).toBeLessThanOrEqual(asked.minutes);
				expect(new Set(tasks.map(({ id }) => id)).size).toBe(tasks.length);
				expect(day.stops.every((stop) => stop.tasks.length > 0)).toBe(true);
				expect(day.bound).toBeGreaterThanOrEqual(day.gain - 1e-9);
			}),
			{ numRuns: 25 }
		);
	});

	it('of a search by parts comes to the exact one of ten places, within its own bound', () => {
		for (const seed of [3, 5, 8]) {
			const asked = simulatedRound(seed, 10, 60);
			const exact = chooseDay(asked);
			const { bound } = searchStops(asked);
			expect(bound).toBeGreaterThanOrEqual(exact.gain - 1e-9);
			expect(bound).toBeLessThanOrEqual(exact.gain * 1.05);
		}
	});

	it('of three hundred instruments in more places than ten lies within a twentieth of its bound', () => {
		const day = chooseDay(simulatedRound(11, 25, 300));
		expect(day.gain).toBeGreaterThan(0);
		expect(day.gain).toBeGreaterThanOrEqual(day.bound / 1.05);
	});

	it('goes round a circle in its order, exactly and by exchange', () => {
		for (const many of [7, 14]) {
			const at = Array.from({ length: many }, (_, i) => (2 * Math.PI * i) / many);
			const ways = at.map((a) => at.map((b) => Math.hypot(Math.cos(a) - Math.cos(b), Math.sin(a) - Math.sin(b))));
			// Mixed, so that the order is not what was given.
			const stops = Array.from({ length: many - 1 }, (_, i) => 1 + ((i * 5) % (many - 1 || 1))).filter(
				(stop, i, all) => all.indexOf(stop) === i
			);
			const rest = Array.from({ length: many - 1 }, (_, i) => i + 1).filter((stop) => !stops.includes(stop));
			expect(tourOf([...stops, ...rest], ways).minutes).toBeCloseTo(2 * many * Math.sin(Math.PI / many), 9);
		}
	});

	it('is empty where nothing can be reached, gains or fits; what is no figure is refused', () => {
		const asked: DayAsked = {
			stops: [{ id: 'far', tasks: [{ id: 'a', minutes: 30, gain: 5 }] }],
			ways: [
				[0, 50],
				[50, 0]
			],
			minutes: 120
		};
		expect(chooseDay(asked).stops).toEqual([]);
		expect(chooseDay({ ...asked, minutes: 130 }).gain).toBe(5);
		expect(() => chooseDay({ ...asked, minutes: 12.5 })).toThrow(RangeError);
		expect(() => chooseDay({ ...asked, ways: [[0]] })).toThrow(RangeError);
		expect(() => chooseDay({ ...asked, stops: [{ id: 'x', tasks: [{ id: 'a', minutes: 0, gain: 1 }] }] })).toThrow(
			'"a" takes 0 minutes'
		);
	});
});
