import { describe, expect, it } from 'vitest';
import { createRandom } from '../../numeric/random';
import { measurePartials } from './partials';
import { findPeaks, Spectrum } from './spectrum';

const RATE = 48_000;
const SIZE = 8192;

/** A steady or decaying tone with partials of equal level, in noise. */
function tone(frequency: number, partials: number, noise: number, decay = Infinity): Float32Array {
	const random = createRandom(Math.round(frequency * 10));
	return Float32Array.from({ length: 2 * SIZE }, (_, i) => {
		let sample = noise * random.normal();
		for (let n = 1; n <= partials; n++)
			sample += 0.1 * Math.exp(-i / (decay * RATE)) * Math.sin((2 * Math.PI * n * frequency * i) / RATE + n);
		return sample;
	});
}

function measure(sound: Float32Array, flexiblePitch: number, advance: number) {
	const spectrum = new Spectrum(SIZE);
	spectrum.take(sound, SIZE);
	spectrum.take(sound, SIZE + advance);
	return measurePartials(spectrum, RATE, flexiblePitch, 0, advance);
}

describe('partials by phase', () => {
	it.each([110.3, 220.77, 441.9, 883.1, 1763.7])('%d Hz: within 0.02 cent of the truth in quiet', (frequency) => {
		for (const advance of [1024, 2048, 2160])
			for (const { partial, frequency: measured } of measure(
				tone(frequency, 5, 1e-5),
				frequency * 1.001,
				advance
			).slice(0, 5))
				expect(Math.abs(1200 * Math.log2(measured / (partial * frequency)))).toBeLessThan(0.02);
	});

	it('is not bent by decay', () => {
		const [first] = measure(tone(440.2, 1, 1e-5, 0.15), 440, 2048);
		expect(Math.abs(1200 * Math.log2(first.frequency / 440.2))).toBeLessThan(0.05);
	});

	it('states errors of the right size', () => {
		const pulls: number[] = [];
		for (let run = 0; run < 60; run++) {
			const frequency = 300 + 7.3 * run;
			for (const { partial, frequency: measured, error } of measure(tone(frequency, 4, 0.02), frequency, 2048))
				pulls.push((measured - partial * frequency) / error);
		}
		const spread = Math.sqrt(pulls.reduce((sum, pull) => sum + pull * pull, 0) / pulls.length);
		expect(spread).toBeGreaterThan(0.4);
		expect(spread).toBeLessThan(1.6);
	});

	it('takes no partial where there is only noise', () => {
		const found = measure(tone(440, 2, 0.005), 440, 2048);
		expect(found.map(({ partial }) => partial)).toEqual([1, 2]);
	});
});

describe('peaks', () => {
	it('stand where the tones are, without the skirts of decay', () => {
		const spectrum = new Spectrum(SIZE);
		spectrum.take(tone(500, 3, 1e-4, 0.05), SIZE);
		const peaks = findPeaks(spectrum, RATE, 20).filter(
			({ magnitude }) => magnitude > 0.02 * spectrum.magnitude[Math.round(500 / (RATE / SIZE))]
		);
		expect(peaks.map(({ frequency }) => Math.round(frequency / 10) * 10).sort((a, b) => a - b)).toEqual([
			500, 1000, 1500
		]);
	});

	it('of noise alone hardly occur', () => {
		const spectrum = new Spectrum(SIZE);
		let count = 0;
		for (let run = 0; run < 10; run++) {
			spectrum.take(tone(100 + run, 0, 0.1), SIZE);
			count += findPeaks(spectrum, RATE, 50).length;
		}
		expect(count).toBeLessThan(5);
	});
});
