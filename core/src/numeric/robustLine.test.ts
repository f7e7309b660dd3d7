import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createRandom } from './random';
import { fitRobustLine } from './robustLine';

describe('robust line', () => {
	it('returns the line through exact points', () => {
		const coefficient = fc.double({ min: -100, max: 100, noNaN: true });
		fc.assert(
			fc.property(coefficient, coefficient, (a, b) => {
				const x = [1, 4, 9, 16, 25];
				const line = fitRobustLine(
					x,
					x.map((each) => a + b * each),
					x.map(() => 1)
				)!;
				return Math.abs(line.intercept - a) < 1e-8 && Math.abs(line.slope - b) < 1e-9;
			})
		);
	});

	it('throws a stranger out', () => {
		const x = [1, 2, 3, 4, 5, 6, 7, 8];
		const y = x.map((each) => 2 + 3 * each);
		y[4] += 50;
		const line = fitRobustLine(
			x,
			y,
			x.map(() => 0.1)
		)!;
		expect(line.slope).toBeCloseTo(3, 6);
		expect(line.kept[4]).toBe(0);
	});

	it('states errors that cover the truth as often as they claim', () => {
		const random = createRandom(3);
		const x = Array.from({ length: 12 }, (_, i) => i);
		let within = 0;
		for (let run = 0; run < 2000; run++) {
			const y = x.map((each) => 1 + 0.5 * each + 0.2 * random.normal());
			const { slope, varSlope } = fitRobustLine(
				x,
				y,
				x.map(() => 0.2)
			)!;
			if (Math.abs(slope - 0.5) < Math.sqrt(varSlope)) within++;
		}
		// One standard error covers 68 %; the misfit factor of at least 1 makes it a little more.
		expect(within / 2000).toBeGreaterThan(0.66);
		expect(within / 2000).toBeLessThan(0.82);
	});

	it('does not make a line of one point or of points above each other', () => {
		expect(fitRobustLine([1], [1], [1])).toBeUndefined();
		expect(fitRobustLine([2, 2, 2], [1, 2, 3], [1, 1, 1])).toBeUndefined();
	});
});

describe('seeded random numbers', () => {
	it('repeat, are uniform and normal', () => {
		const [one, same] = [createRandom(9), createRandom(9)];
		const normals = Array.from({ length: 20_000 }, () => one.normal());
		expect(normals.slice(0, 5)).toEqual(Array.from({ length: 5 }, () => same.normal()));
		const mean = normals.reduce((sum, value) => sum + value, 0) / normals.length;
		const spread = Math.sqrt(normals.reduce((sum, value) => sum + (value - mean) ** 2, 0) / normals.length);
		expect(Math.abs(mean)).toBeLessThan(0.03);
		expect(Math.abs(spread - 1)).toBeLessThan(0.02);
	});
});
