import fc from 'fast-check';
import { inverse, Matrix, solve } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { inverseOf, solveLinear } from './linearSystem';

const value = fc.double({ min: -10, max: 10, noNaN: true });
/** Matrices whose diagonal outweighs the rest of their row: well conditioned. */
const systems = fc.integer({ min: 1, max: 12 }).chain((n) =>
	fc.tuple(
		fc
			.array(fc.array(value, { minLength: n, maxLength: n }), { minLength: n, maxLength: n })
			.map((rows) => rows.map((row, i) => row.map((each, j) => (i === j ? each + 15 * n : each)))),
		fc.array(value, { minLength: n, maxLength: n })
	)
);

describe('a dense linear system', () => {
	it('is solved as by another route, and its rows may stand in any order', () => {
		fc.assert(
			fc.property(systems, ([rows, right]) => {
				const reference = solve(new Matrix(rows), Matrix.columnVector(right)).getColumn(0);
				const solved = solveLinear(
					[...rows].reverse().map((row) => Float64Array.from(row)),
					Float64Array.from([...right].reverse())
				);
				solved.forEach((each, i) => expect(each).toBeCloseTo(reference[i], 9));
			})
		);
	});

	it('is inverted as by another route', () => {
		fc.assert(
			fc.property(systems, ([rows]) => {
				const reference = inverse(new Matrix(rows)).to2DArray();
				inverseOf(rows).forEach((row, i) => row.forEach((each, j) => expect(each).toBeCloseTo(reference[i][j], 9)));
			})
		);
	});

	it('is refused when it determines nothing', () => {
		const rows = [Float64Array.of(1, 2), Float64Array.of(2, 4)];
		expect(() => solveLinear(rows, Float64Array.of(1, 1))).toThrow(RangeError);
		expect(() => inverseOf([[0]])).toThrow(RangeError);
	});
});
