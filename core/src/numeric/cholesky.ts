/** The lower triangle L with L Lᵀ = a symmetric matrix, row by row. @returns undefined unless the matrix is positive definite */
export function cholesky(matrix: readonly (readonly number[])[]): readonly Float64Array[] | undefined {
	const size = matrix.length;
	const rows = Array.from({ length: size }, () => new Float64Array(size));
	for (let i = 0; i < size; i++)
		for (let j = 0; j <= i; j++) {
			let sum = matrix[i][j];
			for (let k = 0; k < j; k++) sum -= rows[i][k] * rows[j][k];
			if (i === j) {
				if (!(sum > 0)) return undefined;
				rows[i][i] = Math.sqrt(sum);
			} else rows[i][j] = sum / rows[j][j];
		}
	return rows;
}

/** Solves L y = b. */
export function solveLower(lower: readonly Float64Array[], right: readonly number[] | Float64Array): Float64Array {
	const out = new Float64Array(right.length);
	for (let i = 0; i < out.length; i++) {
		let sum = right[i];
		for (let k = 0; k < i; k++) sum -= lower[i][k] * out[k];
		out[i] = sum / lower[i][i];
	}
	return out;
}

/** Logarithm of the determinant of L Lᵀ. */
export const logDeterminant = (lower: readonly Float64Array[]): number =>
	2 * lower.reduce((sum, row, i) => sum + Math.log(row[i]), 0);
