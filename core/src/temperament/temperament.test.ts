import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PUBLISHED_OFFSETS } from '../../fixtures/temperamentOffsets';
import {
	PURE,
	PURE_MAJOR_THIRD,
	pythagorean,
	PYTHAGOREAN_COMMA,
	syntonic,
	SYNTONIC_COMMA,
	temperingCents,
	temperingText
} from './comma';
import { addFractions, fraction, fractionValue } from './fraction';
import { temperamentById, TEMPERAMENTS } from './library';
import { closedFifths, fifthSizes, intervalSizes, offsetsFromEqual, type Temperament } from './temperament';

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
});

describe.each(TEMPERAMENTS.map((temperament) => [temperament.name, temperament] as const))('%s', (_, temperament) => {
	it('has the published offsets', () => {
		offsetsFromEqual(temperament).forEach((offset, note) =>
			expect(Number(offset.toFixed(2)) + 0).toBeCloseTo(PUBLISHED_OFFSETS[temperament.id][note], 10)
		);
	});

	it('closes the circle: seven octaves, tempered by one Pythagorean comma in all', () => {
		const sum = fifthSizes(temperament).reduce((all, size) => all + size, 0);
		expect(sum).toBeCloseTo(8400, 9);
		const tempering = closedFifths(temperament.fifths).reduce((all, fifth) => all + temperingCents(fifth), 0);
		expect(tempering).toBeCloseTo(PYTHAGOREAN_COMMA, 9);
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

	it('says what is left over when fifths do not close, and refuses two wolves and eleven fifths', () => {
		const fifths: Temperament['fifths'] = Array.from({ length: 12 }, () => PURE);
		expect(() => closedFifths(fifths)).toThrow('23.46');
		expect(() => closedFifths(['wolf', 'wolf', ...fifths.slice(2)])).toThrow('2 wolf');
		expect(() => closedFifths(fifths.slice(1))).toThrow('11');
		expect(() => temperamentById('nowhere')).toThrow('nowhere');
	});
});
