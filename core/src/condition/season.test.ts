import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createRandom } from '../numeric/random';
import { isSeasons, seasonShare, type PitchChange } from './season';

/** Changes of an instrument that goes up so many cents for each per cent, and sinks by the month. */
function changes(damp: number, month: number, count: number, scatter = 0): PitchChange[] {
	const random = createRandom(11);
	return Array.from({ length: count }, (_, i) => {
		const [humidity, months] = [i % 2 ? 14 + (i % 3) : -12 - (i % 5), 5 + (i % 4)];
		return { humidity, months, cents: damp * humidity + month * months + scatter * random.normal() };
	});
}

describe('what the season explains', () => {
	it('begins as instruments usually do, and says that it is not sure', () => {
		const { explained, error, from } = seasonShare([], 10);
		expect(explained).toBeCloseTo(3);
		expect(error).toBeCloseTo(2.5);
		expect(from).toBe(0);
	});

	it('learns from the instrument itself', () => {
		// The starting value weighs as two changes do: ten leave under a tenth of it.
		const { explained, error } = seasonShare(changes(0.6, -0.8, 10), 10);
		expect(explained).toBeCloseTo(6, 0);
		expect(error).toBeLessThan(0.7);
	});

	it('agrees with the normal equations solved another way', () => {
		fc.assert(
			fc.property(
				fc.double({ min: -1, max: 1, noNaN: true }),
				fc.double({ min: -2, max: 2, noNaN: true }),
				(damp, month) => {
					const before = changes(damp, month, 6, 1.5);
					// Gradient descent on the same penalised squares.
					let [a, b] = [0, 0];
					for (let step = 0; step < 40_000; step++) {
						let ga = (a - 0.3) / 0.25 ** 2;
						let gb = (b + 0.3) / 0.5 ** 2;
						for (const { humidity, months, cents } of before) {
							const off = (a * humidity + b * months - cents) / 4;
							ga += off * humidity;
							gb += off * months;
						}
						a -= 0.003 * ga;
						b -= 0.003 * gb;
					}
					expect(seasonShare(before, 10).explained).toBeCloseTo(10 * a, 3);
				}
			),
			{ numRuns: 5 }
		);
	});

	it('blames the season only for what goes its way, and all of it', () => {
		const sure = { explained: 6, error: 1, from: 8 };
		expect(isSeasons(6.5, sure, 2)).toBe(true);
		expect(isSeasons(-6, sure, 2)).toBe(false);
		expect(isSeasons(14, sure, 2)).toBe(false);
		expect(isSeasons(1, sure, 2)).toBe(false);
		expect(isSeasons(6, { ...sure, error: 4 }, 2)).toBe(false);
	});
});
