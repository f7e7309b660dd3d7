/** A Hann window of so many values from 0 to 1, each taken in the middle of its step (von Hann; Blackman & Tukey 1958). */
export function hannWindow(length: number): Float64Array {
	return Float64Array.from({ length }, (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * (i + 0.5)) / length));
}
