import { describe, expect, it } from 'vitest';
import { structureOf } from './structure';

const twin = { seed: 4, lowest: 21, highest: 108, breakNote: 44 };
const all = (by: number) =>
	new Map(Array.from({ length: 88 }, (_, i) => [21 + i, i < 10 ? [by] : i < 23 ? [by, by] : [by, by, by]]));

describe('the body of an invented instrument', () => {
	const body = structureOf(twin);

	it('sinks as its strings are raised, by so much again for twice as much, and the treble most', () => {
		expect(body.sag(69, new Map())).toBe(0);
		expect(body.sag(69, all(20))).toBeCloseTo(2 * body.sag(69, all(10)), 9);
		expect(body.sag(100, all(10))).toBeGreaterThan(body.sag(30, all(10)));
		// A raise of all strings by 31 cents lets the middle sink by three to six.
		expect(body.sag(60, all(31))).toBeGreaterThan(2);
		expect(body.sag(60, all(31))).toBeLessThan(7);
	});

	it('is parted at the break: what is moved on one bridge reaches the other little', () => {
		const moved = new Map([[43, [10, 10]]]);
		expect(body.sag(44, moved)).toBeLessThan(0.5 * body.sag(42, moved));
	});

	it('breaks no sound string at pitch, and rusty ones sooner when they were not let down first', () => {
		const rusty = structureOf({ ...twin, rust: { from: 21, share: 1 } });
		let sooner = 0;
		for (let note = 21; note <= 108; note++) {
			expect(body.breaksAt(note, 0, false)).toBeGreaterThan(100);
			expect(rusty.breaksAt(note, 0, false)).toBeLessThan(rusty.breaksAt(note, 0, true));
			if (rusty.breaksAt(note, 0, false) < 50) sooner++;
		}
		expect(sooner).toBeGreaterThan(0);
		expect(sooner).toBeLessThan(44);
	});
});
