import { describe, expect, it } from 'vitest';
import { addOscillators, type Oscillator } from './oscillators';
import { renderStrike, USUAL_MOTION } from './strike';
import { stringFromFirstPartial } from '../strings/stiffString';
import { hz } from '../units/quantity';

const RATE = 8000;
const tone = (change: Partial<Oscillator> = {}): Oscillator => ({
	frequency: 200,
	level: 1,
	loss: 0,
	phase: 0,
	...change
});
/** Peak within a twentieth of a second. */
const peakAt = (sound: Float32Array, seconds: number) =>
	sound.subarray(seconds * RATE, (seconds + 0.05) * RATE).reduce((peak, value) => Math.max(peak, Math.abs(value)), 0);
const sounding = (oscillators: Oscillator[], shared: number) => {
	const sound = new Float32Array(2 * RATE);
	addOscillators(sound, oscillators, { sampleRate: RATE, shared });
	return sound;
};

describe('strings on one bridge', () => {
	it('fall together as many times faster as they are', () => {
		for (const count of [1, 2, 3]) {
			const sound = sounding(
				Array.from({ length: count }, () => tone()),
				0.8
			);
			expect(peakAt(sound, 1) / peakAt(sound, 0)).toBeCloseTo(Math.exp(-0.8 * count), 1);
		}
	});

	it('have a second, slower stage when they are not quite alike (Weinreich 1977)', () => {
		const sound = sounding([tone({ loss: 0.3 }), tone({ loss: 0.3, frequency: 200.15, phase: 0.3 })], 2);
		const fall = (from: number) => Math.log(peakAt(sound, from) / peakAt(sound, from + 0.4)) / 0.4;
		expect(fall(0)).toBeGreaterThan(2.5);
		expect(fall(1.5)).toBeLessThan(0.5 * fall(0));
	});
});

describe('a strike with all that strings do', () => {
	const strike = {
		note: 57,
		strings: [stringFromFirstPartial(hz(220), 3e-4)],
		sampleRate: 24_000,
		seconds: 1.2,
		strength: 0.8,
		seed: 3
	};
	it('stays below full scale, and is the ideal one with something added', () => {
		const moved = renderStrike({ ...strike, motion: USUAL_MOTION });
		expect(Math.max(...moved.map(Math.abs))).toBeLessThan(1);
		const power = (sound: Float32Array) => sound.reduce((sum, value) => sum + value * value, 0);
		expect(power(moved) / power(renderStrike(strike))).toBeGreaterThan(0.3);
		expect(power(moved) / power(renderStrike(strike))).toBeLessThan(3);
	});
});
