import { afterEach, describe, expect, it } from 'vitest';
import { figureOf, fixed, flatOrSharp, grouped, isNoughtAt, signed } from './format';
import { lengthWords, temperatureWords, typedCelsius, typedLength, typedMm } from './measures';
import { USUAL_WRITING, writeAs, type Writing } from './writing';

const as = (change: Partial<Writing>) => writeAs(() => ({ ...USUAL_WRITING, ...change }));
afterEach(() => writeAs(() => USUAL_WRITING));

describe('figures as their reader writes them', () => {
	it('have a comma where it is one, and are nought as before', () => {
		as({ decimal: 'comma' });
		expect([signed(3.24), signed(-0.4), signed(0.04), fixed(1234.5, 1)]).toEqual(['+3,2', '−0,4', '0,0', '1234,5']);
		expect([flatOrSharp(1), flatOrSharp(-3.2), flatOrSharp(0.02)]).toEqual([
			'1,0 cent sharp',
			'3,2 cents flat',
			'on pitch'
		]);
		expect(isNoughtAt(-0.04, 1)).toBe(true);
	});

	it('are figures again in a file, groups and all', () => {
		for (const decimal of ['point', 'comma'] as const) {
			as({ decimal });
			for (const figure of [-3.2, 0.4, 12, 1234, -12.345, 1_234_567]) expect(figureOf(signed(figure, 3))).toBe(figure);
			for (const count of [7, 1234, 1_234_567]) expect(figureOf(grouped(count))).toBe(count);
			for (const text of ['', '14 Jul 2026', '1,2,3', 'A4', '–', '3.4.5']) expect(figureOf(text)).toBeNaN();
		}
	});

	it('come back in the unit that is stored', () => {
		as({ temperature: 'fahrenheit', length: 'inch' });
		expect([temperatureWords(20), temperatureWords(-10, 0)]).toEqual(['68.0 °F', '14 °F']);
		expect(typedCelsius('68')).toBeCloseTo(20, 9);
		expect(lengthWords(25.4)).toBe('1.000 in');
		for (const mm of [0.875, 1.5, 404, 690, 1910.2]) expect(typedMm(typedLength(mm))).toBeCloseTo(mm, 2);
		expect([typedMm('690 mm'), typedMm('69 cm'), typedMm('1')]).toEqual([690, 690, 25.4]);
		expect(typedMm('an inch')).toBeNaN();
	});
});
