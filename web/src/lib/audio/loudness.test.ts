import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { levelMatched, loudness } from './loudness';

const RATE = 8000;
const tone = (size: number, seconds = 1, silence = 0) => ({
	sampleRate: RATE,
	samples: Float32Array.from({ length: (seconds + silence) * RATE }, (_, i) =>
		i < seconds * RATE ? size * Math.sin((2 * Math.PI * 440 * i) / RATE) : 0
	)
});

describe('how loud a sound is', () => {
	it('is the root mean square of what sounds, whatever silence follows', () => {
		expect(loudness(tone(0.5))).toBeCloseTo(0.5 / Math.SQRT2, 3);
		expect(loudness(tone(0.5, 1, 5))).toBeCloseTo(0.5 / Math.SQRT2, 3);
		expect(loudness(tone(0))).toBe(0);
	});

	it('is made the same for two sounds, and neither is cut off', () => {
		const size = fc.double({ min: 0.001, max: 1, noNaN: true });
		fc.assert(
			fc.property(size, size, (one, other) => {
				const [a, b] = levelMatched([tone(one), tone(other)]);
				expect(loudness(a) / loudness(b)).toBeCloseTo(1, 3);
				for (const { samples } of [a, b]) expect(Math.max(...samples.map(Math.abs))).toBeLessThanOrEqual(0.951);
			}),
			{ numRuns: 20 }
		);
	});

	it('leaves silence as it is', () => {
		const [silent, loud] = levelMatched([tone(0), tone(0.3)]);
		expect(loudness(silent)).toBe(0);
		expect(loudness(loud)).toBeGreaterThan(0.5);
	});
});
