/** Pivots smaller than that against the largest of their system are none: what is asked for is not determined. */
const SINGULAR = 1e-13;

/**
 * Solves a dense system by elimination with partial pivoting (Golub & Van Loan 2013, section 3.4).
 * @param rows coefficients, one row for each equation; they are overwritten
 * @param right right-hand side; it is overwritten by the solution
 * @returns `right`
 * @throws RangeError when the system is singular
 */
export function solveLinear(rows: readonly Float64Array[], right: Float64Array): Float64Array {
	const n = right.length;
	const order = [...rows];
	let largest = 0;
	for (const row of order) for (let j = 0; j < n; j++) largest = Math.max(largest, Math.abs(row[j]));
	for (let i = 0; i < n; i++) {
		let pivot = i;
		for (let j = i + 1; j < n; j++) if (Math.abs(order[j][i]) > Math.abs(order[pivot][i])) pivot = j;
		if (!(Math.abs(order[pivot][i]) > SINGULAR * largest)) throw new RangeError('solveLinear: the system is singular');
		[order[i], order[pivot]] = [order[pivot], order[i]];
		[right[i], right[pivot]] = [right[pivot], right[i]];
		const top = order[i];
		for (let j = i + 1; j < n; j++) {
			const row = order[j];
			const share = row[i] / top[i];
			if (share === 0) continue;
			for (let k = i; k < n; k++) row[k] -= share * top[k];
			right[j] -= share * right[i];
		}
	}
	for (let i = n - 1; i >= 0; i--) {
		const row = order[i];
		for (let k = i + 1; k < n; k++) right[i] -= row[k] * right[k];
		right[i] /= row[i];
	}
	return right;
}

/**
 * The inverse of a small dense matrix.
 * @throws RangeError when it has none
 */
export function inverseOf(matrix: readonly (readonly number[])[]): number[][] {
	const n = matrix.length;
	const columns = matrix.map((_, j) =>
		solveLinear(
			matrix.map((row) => Float64Array.from(row)),
			Float64Array.from({ length: n }, (__, i) => (i === j ? 1 : 0))
		)
	);
	return matrix.map((_, i) => columns.map((column) => column[i]));
}
