import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { noteName } from '../units/note';
import { STRING_KINDS } from './inharmonicity';
import { breakOf, sectionAt, stringingFrom, stringingProblem, stringsAt, usualStringing } from './stringing';

const compass = fc.tuple(fc.integer({ min: 12, max: 80 }), fc.integer({ min: 12, max: 60 })).map(([lowest, size]) => ({
	lowest,
	highest: Math.min(108, lowest + size)
}));

describe('how a keyboard is strung', () => {
	it('usually: a piano in three sections, early keyboards in one', () => {
		const piano = usualStringing('upright', 21, 108);
		expect([21, 30, 31, 43, 44, 108].map((note) => stringsAt(piano, note))).toEqual([1, 1, 2, 2, 3, 3]);
		expect(breakOf(piano)).toBe(44);
		expect(stringsAt(usualStringing('fortepiano', 29, 89), 40)).toBe(2);
		expect(breakOf(usualStringing('harpsichord', 29, 89))).toBeUndefined();
		expect(usualStringing('upright', 60, 84).sections).toEqual([{ to: 84, strings: 3, wound: false }]);
	});

	it('is whole for every kind and compass', () => {
		fc.assert(
			fc.property(fc.constantFrom(...STRING_KINDS), compass, (kind, { lowest, highest }) => {
				expect(stringingProblem(usualStringing(kind, lowest, highest), highest, noteName)).toBeUndefined();
			})
		);
	});

	it('follows the table where it knows, and between near notes that agree', () => {
		const usual = usualStringing('upright', 21, 108);
		const spinet = stringingFrom(usual, [
			{ note: 45, strings: 2, wound: true },
			{ note: 48, strings: 2, wound: true },
			{ note: 50, strings: 3, wound: false },
			{ note: 90, strings: 2, wound: false }
		]);
		expect([44, 45, 46, 47, 48, 49, 50, 89, 90, 91].map((note) => stringsAt(spinet, note))).toEqual([
			3, 2, 2, 2, 2, 3, 3, 3, 2, 3
		]);
		expect(sectionAt(spinet, 46).wound).toBe(true);
		expect(stringingFrom(usual, [])).toBe(usual);
		fc.assert(
			fc.property(
				fc.uniqueArray(
					fc.record({
						note: fc.integer({ min: 21, max: 108 }),
						strings: fc.integer({ min: 1, max: 3 }),
						wound: fc.boolean()
					}),
					{ selector: ({ note }) => note }
				),
				(known) => {
					const made = stringingFrom(usual, known);
					for (const { note, strings, wound } of known) {
						expect(sectionAt(made, note)).toMatchObject({ strings, wound });
					}
					expect(stringingProblem(made, 108, noteName)).toBeUndefined();
				}
			)
		);
	});

	it('is refused in words when it does not fit the keyboard', () => {
		const good = usualStringing('upright', 21, 108);
		const problem = (sections: typeof good.sections) => stringingProblem({ ...good, sections }, 108, noteName);
		expect(problem([{ to: 100, strings: 3, wound: false }])).toMatch(/ends at E7; the keyboard ends at C8/);
		expect(problem([{ to: 108, strings: 4, wound: false }])).toMatch(/1 to 3 strings/);
		expect(
			problem([
				{ to: 50, strings: 2, wound: true },
				{ to: 40, strings: 3, wound: false }
			])
		).toMatch(/ends at E2, below where it begins/);
		expect(stringingProblem({ ...good, choirs: [] }, 108, noteName)).toMatch(/at least one/);
	});
});
