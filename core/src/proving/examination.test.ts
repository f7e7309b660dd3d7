import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { examine, examinedSection, pointsLost, USUAL_BANDS } from './examination';

const NOTHING = { notes: [], unisons: [], drifts: [] };
const all = (cents: number) => Array.from({ length: 88 }, (_, i) => ({ note: 21 + i, cents }));

describe('an examination', () => {
	it('loses points by band', () => {
		const { temperament } = USUAL_BANDS;
		expect([0, 0.5, -0.6, 1.5, -2.1].map((cents) => pointsLost(cents, temperament))).toEqual([0, 0, 1, 2, 3]);
	});

	it('knows its sections', () => {
		expect([21, 52, 53, 65, 66, 84, 85, 96, 97, 108].map(examinedSection)).toEqual([
			...['bass', 'bass', 'temperament', 'temperament', 'middle', 'middle'],
			...['treble', 'treble', 'top', 'top']
		]);
	});

	it('gives all of a hundred for a perfect instrument, and nothing for one that is nowhere near', () => {
		expect(examine({ notes: all(0), unisons: all(0), drifts: all(0) }).score).toBe(100);
		expect(examine({ notes: all(40), unisons: all(40), drifts: all(40) }).score).toBe(0);
		expect(examine(NOTHING).score).toBeUndefined();
	});

	it('says what was lost where, the worst first, and leaves out what nobody read', () => {
		const notes = [
			{ note: 60, cents: 1.2 },
			{ note: 57, cents: -2.4 },
			{ note: 58, cents: 0.1 }
		];
		const { sections, score } = examine({ ...NOTHING, notes });
		const temperament = sections.find(({ section }) => section === 'temperament')!;
		expect(temperament.lost.map(({ note, points }) => [note, points])).toEqual([
			[57, 3],
			[60, 2]
		]);
		// Five of nine points are gone.
		expect(temperament.score).toBeCloseTo(100 * (4 / 9), 12);
		expect(score).toBeCloseTo(100 * (4 / 9), 12);
		expect(sections.find(({ section }) => section === 'unisons')).toMatchObject({ score: undefined, read: 0 });
	});

	it('never scores more when a note is further off', () => {
		const cents = fc.double({ min: 0, max: 20, noNaN: true });
		fc.assert(
			fc.property(fc.array(cents, { minLength: 1, maxLength: 30 }), fc.nat(29), cents, (offs, which, more) => {
				const notes = offs.map((off, i) => ({ note: 50 + i, cents: off }));
				const worse = notes.map((each, i) =>
					i === which % notes.length ? { ...each, cents: each.cents + more } : each
				);
				return examine({ ...NOTHING, notes: worse }).score! <= examine({ ...NOTHING, notes }).score! + 1e-9;
			})
		);
	});
});
