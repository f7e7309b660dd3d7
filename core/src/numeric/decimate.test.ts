import { describe, expect, it } from 'vitest';
import { decimated } from './decimate';

const RATE = 48_000;
const tone = (frequency: number, length = RATE) =>
	Float32Array.from({ length }, (_, i) => Math.sin((2 * Math.PI * frequency * i) / RATE));
const rms = (samples: Float32Array) => Math.sqrt(samples.reduce((sum, value) => sum + value ** 2, 0) / samples.length);

describe('fewer samples', () => {
	it('keep what lies below, where it was, and lose what would be mirrored', () => {
		const low = decimated(tone(1000), 4);
		expect(low).toHaveLength(RATE / 4);
		// Away from both ends, sample by sample: within 1 %, the filter's ripple.
		for (let i = 100; i < 600; i++)
			expect(Math.abs(low[i] - Math.sin((2 * Math.PI * 1000 * 4 * i) / RATE))).toBeLessThan(0.01);
		// 7 kHz would come out as 5 kHz.
		expect(rms(decimated(tone(7000), 4).subarray(100, -100))).toBeLessThan(1e-3);
	});

	it('are the same where nothing is left out', () => {
		const samples = tone(440, 50);
		expect(decimated(samples, 1)).toBe(samples);
	});
});
