/** The value that chi squared of `freedom` degrees exceeds once in `once` times (Wilson & Hilferty 1931). */
export function chiSquaredLimit(freedom: number, once: 20 | 1000): number {
	if (freedom <= 0) return 0;
	const z = once === 20 ? 1.6449 : 3.0902;
	const spread = 2 / (9 * freedom);
	return freedom * (1 - spread + z * Math.sqrt(spread)) ** 3;
}
