import fc from 'fast-check';
import { inverse, Matrix, solve } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { addToBanded, bandedMatrix, bandedPlace, factorBanded, solveFactored, solveLower } from './banded';
import { createRandom } from './random';

/** A positive definite banded matrix, and the same in full. */
function invented(size: number, width: number, seed: number) {
	const random = createRandom(seed);
	const banded = bandedMatrix(size, width);
	const full = Matrix.zeros(size, size);
	for (let i = 0; i < size; i++)
		for (let j = Math.max(0, i - width); j <= i; j++) {
			const value = i === j ? 2 * width + 2 + random.uniform() : random.normal() / 2;
			addToBanded(banded, i, j, value);
			full.set(i, j, value);
			full.set(j, i, value);
		}
	return { banded, full, right: Float64Array.from({ length: size }, () => random.normal()) };
}

const sizes = fc
	.tuple(fc.integer({ min: 1, max: 30 }), fc.integer({ min: 0, max: 12 }), fc.integer({ min: 1, max: 1e6 }))
	.map(([size, width, seed]) => invented(size, Math.min(width, size - 1), seed));

describe('a banded matrix', () => {
	it('gives the solution that the full matrix gives', () => {
		fc.assert(
			fc.property(sizes, ({ banded, full, right }) => {
				const expected = solve(full, Matrix.columnVector([...right])).to1DArray();
				factorBanded(banded);
				solveFactored(banded, right);
				right.forEach((value, i) => expect(value).toBeCloseTo(expected[i], 9));
			})
		);
	});

	it('tells a variance by the lower factor alone', () => {
		fc.assert(
			fc.property(sizes, ({ banded, full, right }) => {
				const row = Matrix.rowVector([...right]);
				const expected = row.mmul(inverse(full)).mmul(row.transpose()).get(0, 0);
				factorBanded(banded);
				solveLower(banded, right);
				expect(right.reduce((sum, each) => sum + each * each, 0)).toBeCloseTo(expected, 9);
			})
		);
	});

	it('has one place for an entry and its mirror, and refuses what is not determined', () => {
		expect(bandedPlace({ width: 3 }, 7, 5)).toBe(bandedPlace({ width: 3 }, 5, 7));
		expect(() => factorBanded(bandedMatrix(3, 1))).toThrow('unknown 0 of 3');
	});
});
