/**
 * A symmetric positive definite matrix with `width` diagonals on either side of the main one, held by rows:
 * place i * (width + 1) + k is the entry (i, i - width + k), so that k = width is the diagonal.
 */
export interface Banded {
	readonly size: number;
	readonly width: number;
	readonly entries: Float64Array;
}

export function bandedMatrix(size: number, width: number): Banded {
	return { size, width, entries: new Float64Array(size * (width + 1)) };
}

/** Where the entry (i, j) and its mirror are held; `j` lies within the band. */
export function bandedPlace({ width }: Pick<Banded, 'width'>, i: number, j: number): number {
	return i >= j ? i * (width + 1) + j - i + width : j * (width + 1) + i - j + width;
}

export function addToBanded(matrix: Banded, i: number, j: number, value: number): void {
	matrix.entries[bandedPlace(matrix, i, j)] += value;
}

/**
 * Replaces the matrix by its Cholesky factor L, L Lᵀ = A, in place (Golub & Van Loan 2013, algorithm 4.3.5).
 * @throws RangeError when the matrix is not positive definite: the unknowns are not all determined
 */
export function factorBanded(matrix: Banded): void {
	const { size, width, entries } = matrix;
	const stride = width + 1;
	for (let i = 0; i < size; i++) {
		const row = i * stride + width - i;
		for (let j = Math.max(0, i - width); j <= i; j++) {
			const other = j * stride + width - j;
			let sum = entries[row + j];
			for (let k = Math.max(0, i - width, j - width); k < j; k++) sum -= entries[row + k] * entries[other + k];
			if (j < i) entries[row + j] = sum / entries[other + j];
			else if (sum > 0) entries[row + i] = Math.sqrt(sum);
			else throw new RangeError(`factorBanded: unknown ${i} of ${size} is not determined`);
		}
	}
}

/** Solves L y = b; b becomes y. The squares of y add up to b A⁻¹ b, the variance of b when A is a normal matrix. */
export function solveLower({ size, width, entries }: Banded, b: Float64Array): void {
	const stride = width + 1;
	for (let i = 0; i < size; i++) {
		const row = i * stride + width - i;
		let sum = b[i];
		for (let k = Math.max(0, i - width); k < i; k++) sum -= entries[row + k] * b[k];
		b[i] = sum / entries[row + i];
	}
}

/** Solves A x = b with the factor; b becomes x. */
export function solveFactored(matrix: Banded, b: Float64Array): void {
	const { size, width, entries } = matrix;
	const stride = width + 1;
	solveLower(matrix, b);
	for (let i = size - 1; i >= 0; i--) {
		let sum = b[i];
		for (let k = i + 1; k <= Math.min(size - 1, i + width); k++) sum -= entries[k * stride + width - k + i] * b[k];
		b[i] = sum / entries[i * stride + width];
	}
}
