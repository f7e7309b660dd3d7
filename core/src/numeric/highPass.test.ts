import { describe, expect, it } from 'vitest';
import { HighPass } from './highPass';

const RATE = 48_000;
const CORNER = 120;

/** Gain for a tone, once it has settled, by the power of its last second. */
function gainAt(frequency: number): number {
	const filter = new HighPass(CORNER, RATE);
	let [before, after] = [0, 0];
	for (let i = 0; i < 2 * RATE; i++) {
		const sample = Math.sin((2 * Math.PI * frequency * i) / RATE);
		const passed = filter.next(sample);
		if (i < RATE) continue;
		before += sample ** 2;
		after += passed ** 2;
	}
	return Math.sqrt(after / before);
}

describe('high-pass filter', () => {
	it('is a Butterworth filter of fourth order, its corner where it was asked for', () => {
		for (const frequency of [20, 60, 120, 200, 1000, 8000]) {
			// The bilinear transform bends frequencies: the closed form holds for bent ones.
			const bent = Math.tan((Math.PI * frequency) / RATE) / Math.tan((Math.PI * CORNER) / RATE);
			const closed = bent ** 4 / Math.sqrt(1 + bent ** 8);
			expect(gainAt(frequency) / closed).toBeCloseTo(1, 3);
		}
	});

	it('refuses a corner that cannot be', () => {
		for (const corner of [0, -5, RATE, NaN]) expect(() => new HighPass(corner, RATE)).toThrow(RangeError);
	});
});
