import { describe, expect, it } from 'vitest';
import { renderStrike } from '../../sounding/strike';
import { partialHz, stringFromFirstPartial } from '../../strings/stiffString';
import { hz } from '../../units/quantity';
import { partialAlone, partialIntoWhole } from './partialAlone';

const RATE = 24_000;
const string = stringFromFirstPartial(hz(110), 3e-4);
const whole = renderStrike({ note: 45, strings: [string], sampleRate: RATE, seconds: 1.5, strength: 0.7, seed: 2 });
/** Level in decibels of one frequency in the middle second. */
function levelAt(sound: Float32Array, frequency: number): number {
	const part = sound.subarray(0.25 * RATE, 1.25 * RATE);
	let [re, im] = [0, 0];
	part.forEach((value, i) => {
		const shape = 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / part.length);
		re += shape * value * Math.cos((2 * Math.PI * frequency * i) / RATE);
		im += shape * value * Math.sin((2 * Math.PI * frequency * i) / RATE);
	});
	return 20 * Math.log10(Math.hypot(re, im) / part.length + 1e-12);
}

describe('a partial by itself', () => {
	it.each([1, 4, 9])('keeps partial %i as it was and silences its neighbours', (partial) => {
		const alone = partialAlone(whole, RATE, string, partial)!;
		expect(alone).toHaveLength(whole.length);
		const own = partialHz(string, partial);
		expect(levelAt(alone, own)).toBeCloseTo(levelAt(whole, own), 0);
		for (const other of [partial - 1, partial + 1].filter((each) => each > 0))
			expect(levelAt(alone, partialHz(string, other))).toBeLessThan(levelAt(alone, own) - 40);
	});

	it('comes first alone, then in the whole, which is untouched at the end', () => {
		const both = partialIntoWhole(whole, RATE, string, 5)!;
		expect(both).toHaveLength(2 * whole.length);
		const end = whole.length - 2000;
		expect([...both.subarray(whole.length + end)]).toEqual([...whole.subarray(end)]);
		expect(levelAt(both, partialHz(string, 4))).toBeLessThan(levelAt(both, partialHz(string, 5)) - 40);
	});

	it('is none when there is too little sound, or it lies beyond what the rate carries', () => {
		expect(partialAlone(whole.subarray(0, 200), RATE, string, 1)).toBeUndefined();
		expect(partialAlone(whole, RATE, stringFromFirstPartial(hz(4000), 0), 3)).toBeUndefined();
	});
});
