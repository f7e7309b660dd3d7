import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PRIORITIES, temperamentById } from '@fendrel/core';
import { BALANCED, curveAt, drawCurve, wishWords, type CurveChoice } from '$lib/tuning/curve';
import { wishSchema } from '$lib/tuning/wishSchema';
import { planFor } from '$lib/tuning/plan';
import type { KnownString } from '$lib/tuning/strings';
import { draftOf, isSameWish, wordsOf } from './draft';
import { CURVE_PASSAGES, soundedFrom } from './passages';
import { trustWords } from './curveWords';

const ids = PRIORITIES.map(({ id }) => id);
const wishes = fc.record({
	lead: fc.constantFrom(...ids),
	with: fc.option(fc.constantFrom(...ids)),
	share: fc.integer({ min: 0, max: 100 }).map((value) => value / 100),
	top: fc.integer({ min: -20, max: 60 }).map((value) => value / 2),
	held: fc.dictionary(
		fc.integer({ min: 21, max: 108 }).map(String),
		fc.integer({ min: -4000, max: 4000 }).map((value) => value / 100)
	)
});
const PIANO = { kind: 'upright' as const, lowest: 21, highest: 108, measured: [] };

describe('a draft in the address', () => {
	it('comes back as it was', () => {
		fc.assert(
			fc.property(wishes, (wish) => {
				const plain = wish.with === null ? { ...wish, share: 0 } : wish;
				const back = draftOf(new URLSearchParams(String(wordsOf(plain))))!;
				expect(back).toEqual(plain);
				expect(isSameWish(back, plain)).toBe(true);
				expect(wishSchema.safeParse(plain).success).toBe(true);
			})
		);
	});

	it.each([
		'',
		'lead=wild',
		'lead=balanced&share=9',
		'lead=balanced&top=99',
		'lead=balanced&held=60_x',
		'lead=balanced&held=sharp'
	])('counts as none when it cannot be: "%s"', (words) => expect(draftOf(new URLSearchParams(words))).toBeUndefined());
});

describe('a curve', () => {
	it('is named by what was wished', () => {
		expect(wishWords(BALANCED)).toBe('Balanced');
		const wish: CurveChoice = { lead: 'octaves', with: 'twelfths', share: 0.3, top: -2, held: { 60: 1, 61: 2 } };
		expect(wishWords(wish)).toBe('Octave-led, 30 % twelfth-led, −2.0 at C8, 2 notes by ear');
		expect(wishWords({ ...BALANCED, held: { 60: 1 } })).toBe('Balanced, C4 by ear');
	});

	it('that was taken is the plan, whatever has been read since; beyond its ends the end holds', () => {
		const deviations = drawCurve(PIANO, BALANCED);
		const read: KnownString[] = [{ note: 60, b: 2e-3, error: 1e-5, partials: [], by: 'strike' }];
		const basis = { ...PIANO, a4: 440, temperament: temperamentById('equal'), curve: { lowest: 21, deviations } };
		const plan = planFor({ ...basis, measured: read });
		expect(plan.targets.map(({ fromEqual }) => fromEqual)).toEqual(deviations.map((value) => expect.closeTo(value, 9)));
		expect(curveAt({ lowest: 21, deviations }, 12)).toBe(deviations[0]);
		expect(curveAt({ lowest: 21, deviations }, 120)).toBe(deviations[87]);
		// Drawn afresh it would follow what has been read.
		expect(drawCurve({ ...PIANO, measured: read }, BALANCED)).not.toEqual(deviations);
	});

	it('keeps a note where it was put', () => {
		const drawn = drawCurve(PIANO, { ...BALANCED, held: { 80: 9.5 }, top: 6 });
		expect(drawn[80 - 21]).toBeCloseTo(9.5, 3);
	});

	it('is heard only where the keyboard reaches', () => {
		const { targetOf } = planFor({ ...PIANO, a4: 440, temperament: temperamentById('equal') });
		for (const passage of CURVE_PASSAGES) {
			expect(soundedFrom(passage, 60, targetOf)!.at(-1)!.voices.length).toBeGreaterThan(1);
			expect(soundedFrom(passage, 107, targetOf)).toBeUndefined();
		}
	});
});

describe('what a curve rests on, in words', () => {
	const read = (notes: readonly number[], by: KnownString['by'] = 'strike') =>
		notes.map((note) => ({ note, b: 4e-4, error: 1e-5, partials: [], by }));
	const said = (measured: KnownString[], change = {}, errors: number[] = []) =>
		trustWords({ ...PIANO, measured, ...change }, 'upright piano', errors);

	it('says what is missing, and where to read more', () => {
		expect(said([])).toBe('No string has been read: a typical upright piano stands in.');
		expect(said(read([60, 62, 64]))).toMatch(
			/^Strings of 3 notes read, C4 to E4\. Read a few strings in the treble to be surer\./
		);
		expect(said(read([100, 102, 104]))).toContain('Read a few strings in the bass');
		expect(said(read([40, 41], 'table'))).toContain('2 notes by the table of strings');
		expect(said(read([60]), {}, [2, 0.1])).toContain('Within ±4.0 cents at A0 and ±0.2 at C8');
	});

	it('says when the keyboard has no A4', () => {
		expect(said([], { highest: 60 })).toContain('This keyboard has no A4. C4 stands at');
		expect(said([], { lowest: 72 })).toContain('C5 stands at');
	});
});
