import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { weightedLine, weightedMean } from './weighted';

const value = fc.double({ min: -100, max: 100, noNaN: true });
const weight = fc.double({ min: 0.01, max: 10, noNaN: true });

describe('weighted means and lines', () => {
	it('find what the points were made of, wherever they lie', () => {
		const points = fc.array(fc.tuple(value, weight), { minLength: 3, maxLength: 20 });
		fc.assert(
			fc.property(points, value, value, (made, at, slope) => {
				const x = made.map(([each]) => each);
				const weights = made.map(([, each]) => each);
				const line = weightedLine(
					x,
					x.map((each) => at + slope * each),
					weights
				);
				// Points that all but coincide say nothing of a slope.
				fc.pre(line !== undefined && line.spread > 1e-3);
				expect(line!.slope).toBeCloseTo(slope, 5);
				expect(line!.meanY - line!.slope * line!.meanX).toBeCloseTo(at, 3);
			})
		);
	});

	it('leave the least squares: any other mean leaves more', () => {
		fc.assert(
			fc.property(fc.array(fc.tuple(value, weight), { minLength: 1, maxLength: 20 }), value, (made, other) => {
				const { left } = weightedMean(
					made.map(([each]) => each),
					made.map(([, each]) => each)
				);
				const there = made.reduce((sum, [each, w]) => sum + w * (each - other) ** 2, 0);
				expect(left).toBeLessThanOrEqual(there * (1 + 1e-9) + 1e-9);
			})
		);
	});

	it('give no slope to points that stand above each other', () => {
		expect(weightedLine([2, 2, 2], [1, 5, 9], [1, 1, 1])).toBeUndefined();
	});
});
