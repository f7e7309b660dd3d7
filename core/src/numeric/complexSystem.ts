/** Solves a small complex system in place (real and imaginary in turn) without pivoting: it is positive definite. */
export function solveComplex(matrix: Float64Array, right: Float64Array, n: number): boolean {
	const at = (i: number, j: number) => 2 * (n * i + j);
	for (let i = 0; i < n; i++) {
		const [pr, pi] = [matrix[at(i, i)], matrix[at(i, i) + 1]];
		const size = pr * pr + pi * pi;
		if (!(size > 0)) return false;
		for (let row = 0; row < n; row++) {
			if (row === i) continue;
			const [mr, mi] = [matrix[at(row, i)], matrix[at(row, i) + 1]];
			const [fr, fi] = [(mr * pr + mi * pi) / size, (mi * pr - mr * pi) / size];
			for (let j = i; j < n; j++) {
				const [xr, xi] = [matrix[at(i, j)], matrix[at(i, j) + 1]];
				matrix[at(row, j)] -= fr * xr - fi * xi;
				matrix[at(row, j) + 1] -= fr * xi + fi * xr;
			}
			const [xr, xi] = [right[2 * i], right[2 * i + 1]];
			right[2 * row] -= fr * xr - fi * xi;
			right[2 * row + 1] -= fr * xi + fi * xr;
		}
	}
	for (let i = 0; i < n; i++) {
		const [pr, pi] = [matrix[at(i, i)], matrix[at(i, i) + 1]];
		const size = pr * pr + pi * pi;
		const [xr, xi] = [right[2 * i], right[2 * i + 1]];
		right[2 * i] = (xr * pr + xi * pi) / size;
		right[2 * i + 1] = (xi * pr - xr * pi) / size;
	}
	return true;
}
