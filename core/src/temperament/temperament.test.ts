import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PUBLISHED_OFFSETS, PUBLISHED_SCALES } from '../../fixtures/temperamentOffsets';
import {
	PURE,
	parseTempering,
	PURE_FIFTH,
	PURE_MAJOR_THIRD,
	PURE_MINOR_THIRD,
	pythagorean,
	PYTHAGOREAN_COMMA,
	syntonic,
	SYNTONIC_COMMA,
	temperingCents,
	temperingText
} from './comma';
import { addFractions, fraction, fractionValue } from './fraction';
import { temperamentById, TEMPERAMENTS } from './library';
import {
	closedFifths,
	fifthSizes,
	fifthTexts,
	intervalSizes,
	offsetsFromEqual,
	transposed,
	wolves,
	type Tuning
} from './temperament';
import { examineTuning } from './validate';

describe('commas', () => {
	it('have their known sizes', () => {
		expect(PYTHAGOREAN_COMMA).toBeCloseTo(23.46001, 5);
		expect(SYNTONIC_COMMA).toBeCloseTo(21.50629, 5);
	});

	it('add as exact fractions', () => {
		const num = fc.integer({ min: -50, max: 50 });
		const den = fc.integer({ min: 1, max: 60 });
		fc.assert(
			fc.property(num, den, num, den, (a, b, c, d) => {
				const sum = addFractions(fraction(a, b), fraction(c, d));
				return Math.abs(fractionValue(sum) - (a / b + c / d)) < 1e-12;
			})
		);
		expect(() => fraction(1, 0)).toThrow('1/0');
		expect(() => fraction(0.5)).toThrow('0.5');
	});

	it('are written as tuners write them', () => {
		expect(temperingText(PURE)).toBe('pure');
		expect(temperingText(pythagorean(2, 12))).toBe('1/6 P');
		expect(temperingText(syntonic(1, 4))).toBe('1/4 S');
	});

	it('are read as they are written, and as people type them', () => {
		const part = fc.record({ num: fc.integer({ min: -24, max: 24 }), den: fc.integer({ min: 1, max: 48 }) });
		fc.assert(
			fc.property(part, part, (p, s) => {
				const tempering = { pythagorean: fraction(p.num, p.den), syntonic: fraction(s.num, s.den) };
				expect(parseTempering(temperingText(tempering))).toEqual(tempering);
			})
		);
		expect(parseTempering('−1/12 p')).toEqual(pythagorean(-1, 12));
		for (const text of ['', '1/6', 'P', '1/0 P', '1/6 Q', '1/6 P and']) expect(parseTempering(text)).toBeUndefined();
	});
});

describe.each(TEMPERAMENTS.map((temperament) => [temperament.name, temperament] as const))('%s', (_, temperament) => {
	it('closes the circle: seven octaves, tempered by one Pythagorean comma in all', () => {
		const sum = fifthSizes(temperament).reduce((all, size) => all + size, 0);
		expect(sum).toBeCloseTo(8400, 9);
		if (temperament.tuning.by !== 'fifths') return;
		const tempering = closedFifths(temperament.tuning.fifths).reduce((all, fifth) => all + temperingCents(fifth), 0);
		expect(tempering).toBeCloseTo(PYTHAGOREAN_COMMA, 9);
	});

	it('keeps its offsets, moved, at every root, and is itself again after an octave', () => {
		const own = offsetsFromEqual(temperament, 0);
		for (let root = 0; root < 12; root++) {
			const moved = offsetsFromEqual(transposed(temperament, root), root);
			moved.forEach((offset, note) => expect(offset).toBeCloseTo(own[(note - root + 12) % 12], 9));
		}
		expect(transposed(transposed(temperament, 5), 7).tuning).toEqual(temperament.tuning);
	});

	it('stands up to the same look as what users bring in', () => {
		expect(examineTuning(temperament.tuning)).toEqual({});
	});

	it('has every octave made of three major thirds', () => {
		const thirds = intervalSizes(temperament, 4);
		for (let note = 0; note < 4; note++)
			expect(thirds[note] + thirds[note + 4] + thirds[note + 8]).toBeCloseTo(1200, 9);
	});
});

describe('temperaments in general', () => {
	it('gives meantone eight pure major thirds', () => {
		const pure = intervalSizes(temperamentById('meantone-quarter'), 4).filter(
			(size) => Math.abs(size - PURE_MAJOR_THIRD) < 1e-9
		);
		expect(pure).toHaveLength(8);
	});

	it('moves the zero and keeps the intervals', () => {
		const fromC = offsetsFromEqual(temperamentById('vallotti'), 0);
		expect(fromC[0]).toBe(0);
		expect(fromC[9]).toBeCloseTo(-5.865, 3);
	});

	it.each(Object.keys(PUBLISHED_OFFSETS))('has the published offsets of %s', (id) => {
		offsetsFromEqual(temperamentById(id)).forEach((offset, note) =>
			expect(Number(offset.toFixed(2)) + 0).toBeCloseTo(PUBLISHED_OFFSETS[id][note], 10)
		);
	});

	it.each(Object.keys(PUBLISHED_SCALES))('has the published scale of %s', (id) => {
		offsetsFromEqual(temperamentById(id), 0).forEach((offset, note) =>
			expect(Math.abs(100 * note + offset - PUBLISHED_SCALES[id][note])).toBeLessThan(0.0006)
		);
	});

	it('equals the closed forms of the meantones within 1e-6 cent', () => {
		// k fifths up the chain from C lie k (fifth - comma part) above it: here E, four fifths up.
		for (const [id, part] of [
			['third', 1 / 3],
			['two-sevenths', 2 / 7],
			['quarter', 1 / 4],
			['fifth', 1 / 5],
			['sixth', 1 / 6]
		] as const) {
			const e = offsetsFromEqual(temperamentById(`meantone-${id}`), 0)[4];
			expect(Math.abs(400 + e - (4 * (PURE_FIFTH - part * SYNTONIC_COMMA) - 2400))).toBeLessThan(1e-6);
		}
		const minor = intervalSizes(temperamentById('meantone-third'), 3)[9];
		expect(Math.abs(minor - PURE_MINOR_THIRD)).toBeLessThan(1e-6);
	});

	it('finds the wolf where it howls and none in a well temperament', () => {
		expect(wolves(temperamentById('meantone-quarter'))).toEqual([8]);
		expect(wolves(temperamentById('pythagorean-b-fsharp'))).toEqual([5]);
		expect(wolves(temperamentById('werckmeister-3'))).toEqual([]);
		expect(wolves(temperamentById('just-ptolemaic'))).toContain(2);
	});

	it('takes offsets and ratios as well as fifths, and gives the same offsets back', () => {
		const offset = fc.double({ min: -40, max: 40, noNaN: true });
		fc.assert(
			fc.property(fc.array(offset, { minLength: 12, maxLength: 12 }), (offsets) => {
				const back = offsetsFromEqual({ tuning: { by: 'cents', offsets } });
				back.forEach((each, i) => expect(each).toBeCloseTo(offsets[i] - offsets[9], 9));
			})
		);
		expect(fifthTexts(temperamentById('just-ptolemaic')).slice(0, 3)).toEqual(['pure', 'pure', '21.51 c']);
		expect(fifthTexts(temperamentById('vallotti')).slice(0, 6)).toEqual([
			'1/6 P',
			'1/6 P',
			'1/6 P',
			'1/6 P',
			'1/6 P',
			'pure'
		]);
	});

	it('says what is wrong with what a user brings in', () => {
		const pure = Array.from({ length: 12 }, () => PURE);
		const problem = (tuning: Tuning) => examineTuning(tuning).problem ?? '';
		expect(problem({ by: 'fifths', fifths: pure })).toContain('23.46 cents are still to be placed');
		expect(problem({ by: 'fifths', fifths: pure.map(() => pythagorean(1, 6)) })).toContain('23.46 cents are too many');
		expect(problem({ by: 'fifths', fifths: ['wolf', 'wolf', ...pure.slice(2)] })).toContain('C-G and G-D');
		expect(problem({ by: 'cents', offsets: new Array(11).fill(0) })).toContain('11 offsets');
		expect(problem({ by: 'cents', offsets: [Number.NaN, ...new Array(11).fill(0)] })).toContain('C is not a number');
		expect(examineTuning({ by: 'cents', offsets: [120, ...new Array(11).fill(0)] }).ask).toContain('120.0 cents');
		expect(problem({ by: 'cents', offsets: [900, ...new Array(11).fill(0)] })).toContain('900.0');
		expect(problem({ by: 'ratios', ratios: pure.map(() => fraction(5, 2)) })).toContain('1/1 and 2/1');
	});

	it('says what is left over when fifths do not close, and refuses two wolves and eleven fifths', () => {
		const fifths = Array.from({ length: 12 }, () => PURE);
		expect(() => closedFifths(fifths)).toThrow('23.46');
		expect(() => closedFifths(['wolf', 'wolf', ...fifths.slice(2)])).toThrow('2 wolf');
		expect(() => closedFifths(fifths.slice(1))).toThrow('11');
		expect(() => temperamentById('nowhere')).toThrow('nowhere');
	});
});
