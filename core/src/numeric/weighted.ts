/** A mean by weights. */
export interface WeightedMean {
	readonly mean: number;
	/** Sum of the weights; with weights of 1 over variance, 1 over the mean's variance. */
	readonly weight: number;
	/** Weighted squares about it. */
	readonly left: number;
}

/** @param weights one for each value, their sum above 0 */
export function weightedMean(values: readonly number[], weights: readonly number[]): WeightedMean {
	let weight = 0;
	let sum = 0;
	for (let i = 0; i < values.length; i++) {
		weight += weights[i];
		sum += weights[i] * values[i];
	}
	const mean = sum / weight;
	let left = 0;
	for (let i = 0; i < values.length; i++) left += weights[i] * (values[i] - mean) ** 2;
	return { mean, weight, left };
}

/** A straight line by weights, about the middle of its points. */
export interface WeightedLine {
	readonly meanX: number;
	readonly meanY: number;
	readonly slope: number;
	/** Sum of the weights, and of the weighted squares of x about its mean. */
	readonly weight: number;
	readonly spread: number;
}

/**
 * @param weights all alike unless given
 * @returns undefined when all x are alike to within rounding: the slope would be noise divided by nothing
 */
export function weightedLine(
	x: readonly number[],
	y: readonly number[],
	weights: readonly number[] = x.map(() => 1)
): WeightedLine | undefined {
	const { mean: meanX, weight, left: spread } = weightedMean(x, weights);
	const { mean: meanY } = weightedMean(y, weights);
	if (!(spread > 1e-18 * weight * Math.max(1, meanX * meanX))) return undefined;
	let pull = 0;
	for (let i = 0; i < x.length; i++) pull += weights[i] * (x[i] - meanX) * (y[i] - meanY);
	return { meanX, meanY, slope: pull / spread, weight, spread };
}
