import { Matrix, solve } from 'ml-matrix';
import type { Edge } from './edges';

/**
 * A note's error in cents as a sum of independent sources of standard deviation 1: place 0 is the bias
 * that all counts share, every further place one count. Missing places are 0.
 */
export type ErrorVector = readonly number[];

export const noError = (): ErrorVector => [0];

export function covariance(a: ErrorVector, b: ErrorVector): number {
	let sum = 0;
	for (let i = Math.min(a.length, b.length) - 1; i >= 0; i--) sum += a[i] * b[i];
	return sum;
}

/** times * a + by * b, place by place. */
export function mixed(times: number, a: ErrorVector, by: number, b: ErrorVector): ErrorVector {
	return Array.from({ length: Math.max(a.length, b.length) }, (_, i) => times * (a[i] ?? 0) + by * (b[i] ?? 0));
}

/**
 * Error of a note that is set by one interval from a known note: the beat comes out wrong by the count's
 * scatter (source number `source`) and by the bias, and what was wrong with the known note is handed on.
 */
export function errorAfter(edge: Edge, note: number, known: ErrorVector, source: number, bias: number): ErrorVector {
	const count = new Array<number>(source + 1).fill(0);
	count[0] = edge.bias * bias;
	count[source] = edge.scatter;
	// beat = perCentUpper * upper - perCentLower * lower, both in cents of error.
	return note === edge.upper
		? mixed(1 / edge.perCentUpper, count, edge.perCentLower / edge.perCentUpper, known)
		: mixed(-1 / edge.perCentLower, count, edge.perCentUpper / edge.perCentLower, known);
}

/** The weighted mean of several estimates of one note that has the least variance (Aitken 1935). */
export function combine(estimates: readonly ErrorVector[]): { weights: readonly number[]; error: ErrorVector } {
	const ones = Matrix.ones(estimates.length, 1);
	const shares = solve(new Matrix(estimates.map((a) => estimates.map((b) => covariance(a, b)))), ones).to1DArray();
	const total = shares.reduce((sum, share) => sum + share, 0);
	const weights = shares.map((share) => share / total);
	const error = estimates.reduce<ErrorVector>((sum, estimate, i) => mixed(1, sum, weights[i], estimate), noError());
	return { weights, error };
}
