import { noteName } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { flatOrSharp, inSentence, lasting, noteRuns, signed } from './format';

describe('figures in words', () => {
	it('has no minus zero and a true minus sign', () => {
		expect(signed(-0.04)).toBe('0.0');
		expect(signed(-3.21)).toBe('−3.2');
		expect(signed(0.05, 2)).toBe('+0.05');
	});

	it('says flat and sharp', () => {
		expect(flatOrSharp(-3.2)).toBe('3.2 cents flat');
		expect(flatOrSharp(1)).toBe('1.0 cent sharp');
		expect(flatOrSharp(0.02)).toBe('on pitch');
		expect(flatOrSharp(-5.2, false)).toBe('about 5 cents flat');
		expect(flatOrSharp(1.2, false)).toBe('about 1 cent sharp');
		expect(flatOrSharp(0.3, false)).toBe('about on pitch');
	});

	it('tells how long in seconds, then in minutes', () => {
		expect([0.4, 34.4, 89.4, 90, 356.7, 3629].map(lasting)).toEqual([
			'0 s',
			'34 s',
			'89 s',
			'1 min 30 s',
			'5 min 57 s',
			'60 min 29 s'
		]);
	});

	it('draws neighbours together', () => {
		expect(noteRuns([60, 61, 62, 65], noteName)).toBe('C4 to D4, F4');
		expect(noteRuns([21, 23, 25, 27, 29, 31, 33, 35], noteName, 2)).toBe('A0, B0 and 6 more');
	});

	it('keeps the names of persons great', () => {
		expect(inSentence('Equal')).toBe('equal');
		expect(inSentence('Werckmeister III')).toBe('Werckmeister III');
	});
});
