import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { earLean, followEar } from './byEar';

describe('notes that follow the ear', () => {
	it('follow one note as the closed form has it', () => {
		const [at, scatter] = [2, 0.3];
		const shifts = followEar([{ note: 50, off: at }], [], [46, 50, 54, 80]);
		const share = (apart: number) => (4 * Math.exp(-Math.abs(apart) / 6)) / (4 + scatter ** 2);
		for (const note of [46, 50, 54, 80]) expect(shifts.get(note)).toBeCloseTo(at * share(note - 50), 12);
		expect(shifts.get(80)).toBeLessThan(0.02);
	});

	it('change nothing where nobody kept anything by ear', () => {
		expect([...followEar([], [60, 61], [62, 63]).values()]).toEqual([0, 0]);
	});

	it('do not pull away from what was kept by the figure', () => {
		const alone = followEar([{ note: 50, off: 2 }], [], [52]).get(52)!;
		const held = followEar([{ note: 50, off: 2 }], [51, 53, 54], [52]).get(52)!;
		expect(held).toBeGreaterThan(0);
		expect(held).toBeLessThan(0.6 * alone);
	});

	it('never go further than the ear went, nor the other way, whichever notes it kept', () => {
		const ear = fc.uniqueArray(fc.record({ note: fc.integer({ min: 21, max: 108 }), off: fc.constant(3) }), {
			minLength: 1,
			maxLength: 20,
			selector: ({ note }) => note
		});
		fc.assert(
			fc.property(ear, (notes) => {
				const free = Array.from({ length: 88 }, (_, i) => 21 + i);
				for (const shift of followEar(notes, [], free).values()) {
					expect(shift).toBeGreaterThanOrEqual(0);
					expect(shift).toBeLessThanOrEqual(3);
				}
			})
		);
	});
});

describe('ear against meter', () => {
	const notes = (...offs: number[]) => offs.map((off, i) => ({ note: 40 + i, off }));

	it('is told of three notes and more, by the last six', () => {
		expect(earLean(notes(1, 1))).toBeUndefined();
		expect(earLean(notes(1.1, 0.9, 1.0))).toMatchObject({ mean: expect.closeTo(1, 12), notes: 3, leans: true });
		expect(earLean(notes(-9, -9, 1, 1, 1, 1, 1, 1))?.mean).toBe(1);
	});

	it('leans only by more than chance', () => {
		expect(earLean(notes(1, -0.8, 0.5, -0.9))?.leans).toBe(false);
		expect(earLean(notes(0.2, 0.1, 0.2))?.leans).toBe(false);
	});
});
