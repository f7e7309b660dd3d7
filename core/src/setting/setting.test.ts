import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bearingPlan } from '../bearing/plan';
import { DEFAULT_EAR } from '../bearing/ear';
import { createRandom, type Random } from '../numeric/random';
import { stringFromFirstPartial } from '../strings/stiffString';
import { temperamentById } from '../temperament/library';
import { noteName } from '../units/note';
import { equalHz } from '../units/pitch';
import { cents, hz } from '../units/quantity';
import { adviceFor, stabilityOf } from './hold';
import { TEMPERAMENT_ORDERS } from './bearingOrders';
import { FIRST_ORDERS } from './firstOrders';
import { BY_EAR, isByEar, OUTWARDS, settingOrder, UNISON_ORDERS, USUAL_ORDER } from './order';

const sure = (offs: readonly number[], error = 0.05) => offs.map((off) => ({ off, error }));

describe('advice from strikes', () => {
	it.each([
		[[], 'strike again'],
		[[-3], 'raise'],
		[[2.2], 'lower'],
		[[0.7], 'lower'],
		[[0.3], 'strike again'],
		[[0.2, 0.2], 'holds'],
		[[0.1, 0.3], 'strike again'],
		[[0.1, 0.3, 0.5], 'strike again'],
		[[-0.4, 0.4], 'strike again'],
		[[3, 0.2], 'strike again'],
		[[3, 0.2, 0.2], 'holds'],
		[[0.1, 0.2, -1.4], 'raise']
	] as const)('%j within a cent: %s', (strikes, advice) => expect(adviceFor(sure(strikes), cents(1))).toBe(advice));

	it('takes a strike that is much softer than the others for none', () => {
		const strikes = [0, 0].map((off, i) => ({ off, error: 0.05, level: -20 - 12 * i }));
		expect(adviceFor(strikes, cents(1))).toBe('strike firmer');
	});

	it('says so when readings are too unsure for the tolerance', () => {
		const off = [0.02, -0.05, 0.03, 0, 0.02];
		expect(adviceFor(sure(off, 0.3), cents(0.3))).toBe('too unsure');
		expect(adviceFor(sure(off, 0.3), cents(3))).toBe('holds');
	});

	it('neither turns a pin nor holds by a figure that is not certain, unless it lies far off', () => {
		expect(adviceFor(sure([-1], 1.2), cents(1))).toBe('strike again');
		expect(adviceFor(sure([-5], 1.2), cents(1))).toBe('raise');
		const unsure = sure([0, 0, 0, 0], 0.9);
		expect(adviceFor(unsure.slice(0, 2), cents(3))).toBe('strike again');
		expect(adviceFor(unsure, cents(3))).toBe('too unsure');
	});

	it('needs no stated errors, but more strikes without', () => {
		expect(adviceFor([{ off: 0 }, { off: 0 }], cents(1))).toBe('strike again');
		expect(adviceFor([{ off: 0 }, { off: 0 }, { off: 0.1 }], cents(2))).toBe('holds');
	});

	/** A technician strikes until it is said to hold, at most so often. */
	function untilItHolds(stands: number, creep: number, error: number, tolerance: number, random: Random) {
		const strikes = [];
		for (let i = 0; i < 6; i++) {
			strikes.push({ off: stands + creep * i + error * random.normal(), error });
			if (adviceFor(strikes, cents(tolerance)) === 'holds') return { strikes: i + 1, at: stands + creep * i };
		}
		return undefined;
	}

	it('is hardly ever "holds" of a string that creeps out of half the tolerance, and never of one that leaves it', () => {
		const random = createRandom(5);
		let [creeping, outside] = [0, 0];
		for (let i = 0; i < 4000; i++) {
			const tolerance = [0.5, 1, 2][i % 3];
			const creep = (0.1 + 0.9 * random.uniform()) * (random.uniform() < 0.5 ? -1 : 1);
			const error = 0.03 + 0.2 * random.uniform();
			const held = untilItHolds(tolerance * (2 * random.uniform() - 1), creep, error, tolerance, random);
			creeping++;
			if (!held) continue;
			const furthest = Math.max(Math.abs(held.at), Math.abs(held.at + creep));
			if (furthest > tolerance / 2) outside++;
			expect(furthest).toBeLessThan(tolerance);
		}
		expect(outside / creeping).toBeLessThan(0.05);
	});

	it('is "holds" of a string that does, at the second or third strike', () => {
		const random = createRandom(6);
		let held = 0;
		for (let i = 0; i < 1000; i++) {
			const found = untilItHolds(0.5 * (random.uniform() - 0.5), 0, 0.03 + 0.05 * random.uniform(), 1, random);
			if (found && found.strikes <= 3) held++;
		}
		expect(held / 1000).toBeGreaterThan(0.95);
	});
});

describe('stability from strike to strike', () => {
	it('is the slope of the last four, with the error of the scatter about it', () => {
		expect(stabilityOf([9, 1.2, 0.8, 0.4, 0])).toEqual({
			strikes: 4,
			drift: expect.closeTo(-0.4),
			error: expect.closeTo(0)
		});
		const scattered = stabilityOf([0, 0.3, 0])!;
		expect(scattered.drift).toBeCloseTo(0);
		// Three strikes, one degree of freedom: left over 0.06, over a spread of 2.
		expect(scattered.error).toBeCloseTo(Math.sqrt(0.06 / 2));
	});
	it('has no error with two strikes, and is none with one', () => {
		expect(stabilityOf([0.5, 0.2])).toEqual({ strikes: 2, drift: expect.closeTo(-0.3), error: undefined });
		expect(stabilityOf([0.5])).toBeUndefined();
	});
});

describe('the order of work', () => {
	it('takes every note of any compass once, and only references that are set already', () => {
		fc.assert(
			fc.property(fc.integer({ min: 12, max: 80 }), fc.integer({ min: 12, max: 60 }), (lowest, size) => {
				const highest = Math.min(108, lowest + size);
				const order = settingOrder({ lowest, highest });
				const seen = new Set<number>();
				for (const { note, against } of order) {
					if (against !== undefined && !seen.has(against)) return false;
					seen.add(note);
				}
				return seen.size === highest - lowest + 1 && order.length === seen.size;
			})
		);
	});

	it('goes round the circle from A and crosses no wolf place', () => {
		const steps = settingOrder({ lowest: 21, highest: 108 }).slice(0, 14);
		expect(steps.map(({ note }) => noteName(note)).join(' ')).toBe('A4 A3 D4 G3 C4 F3 B♭3 E♭4 E4 B3 F♯3 C♯4 G♯3 F4');
		const pairs = steps.map(({ note, against }) => [note % 12, (against ?? -1) % 12].sort((a, b) => a - b).join());
		expect(pairs).not.toContain('3,8');
		expect(steps[2].interval?.name).toBe('fourth');
		expect(steps[3].interval?.name).toBe('fifth');
	});

	const compass = { lowest: 21, highest: 108 };
	const anyOrder = fc.record({
		first: fc.constantFrom(...TEMPERAMENT_ORDERS.map(({ id }) => id)),
		octave: fc.integer({ min: 45, max: 60 }),
		outwards: fc.constantFrom(...OUTWARDS),
		unisons: fc.constantFrom(...UNISON_ORDERS),
		byEar: fc.constantFrom(...BY_EAR)
	});
	const bearing = bearingPlan({
		...{ school: 'thirds-led', start: 69, low: 53, high: 65, ear: DEFAULT_EAR },
		temperament: temperamentById('equal'),
		strings: (note) => stringFromFirstPartial(equalHz(note, hz(440)), 4e-4)
	});
	it('whichever is chosen, sets every note once before its unison, from what stands', () => {
		fc.assert(
			fc.property(anyOrder, (order) => {
				const stringsAt = (note: number) => (note < 31 ? 1 : note < 48 ? 2 : 3);
				const isPlanned = !FIRST_ORDERS.some(({ id }) => id === order.first);
				const ground = { ...compass, stringsAt, isWound: (note: number) => note < 50 };
				const steps = settingOrder(isPlanned ? { ...ground, bearing } : ground, order);
				const seen = new Set<number>();
				const unisons = new Set<number>();
				for (const { note, against, also = [], unison } of steps) {
					if (unison) {
						expect(seen.has(note) && !unisons.has(note)).toBe(true);
						unisons.add(note);
						continue;
					}
					for (const each of [...(against === undefined ? [] : [against]), ...also.map((other) => other.against)])
						expect(seen.has(each)).toBe(true);
					expect(seen.has(note)).toBe(false);
					seen.add(note);
				}
				expect(seen.size).toBe(88);
				expect(unisons.size).toBe(order.unisons === 'notAsked' ? 0 : 88 - 10);
			})
		);
	});

	it('follows a bearing plan by its own intervals', () => {
		const steps = settingOrder({ ...compass, bearing }, { ...USUAL_ORDER, first: 'thirds-led' }).slice(0, 4);
		expect(steps.map(({ note, against }) => [note, against])).toEqual([
			[69, undefined],
			[53, 69],
			[57, 53],
			[56, 53]
		]);
		expect(steps[1].interval?.name).toBe('tenth');
	});

	it('hears the low tenor by octave, fifth and fourth, the top by double octaves, the bass by larger octaves', () => {
		const steps = settingOrder({ ...compass, isWound: (note) => note < 50 });
		const at = (note: number) => steps.find((step) => step.note === note)!;
		expect([at(47).interval?.name, at(47).also?.map(({ interval }) => interval.name)]).toEqual([
			'octave 6:3',
			['fifth', 'fourth']
		]);
		expect(at(51).also).toBeUndefined();
		expect([at(90), at(76), at(33), at(25)].map(({ interval }) => interval?.name)).toEqual([
			'double octave',
			'octave 4:2',
			'octave 8:4',
			'octave 10:5'
		]);
	});

	it('hides cents of what is set by ear, and of no unison', () => {
		const steps = settingOrder({ ...compass, stringsAt: () => 3 }, { ...USUAL_ORDER, unisons: 'asOneGoes' });
		const hidden = (byEar: (typeof BY_EAR)[number]) =>
			steps.filter((step) => isByEar(step, { ...USUAL_ORDER, byEar })).length;
		expect(BY_EAR.map(hidden)).toEqual([0, 88 - 14, 88]);
	});
});
