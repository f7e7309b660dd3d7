/** Length of the low-pass in samples of the lower rate: from 0.4 of that rate on 70 dB down. */
const LENGTH = 24;

/**
 * Every so many-th sample, without what the lower rate cannot carry (a windowed sinc, Blackman).
 * @param by a whole number; 1 gives the samples as they are
 */
export function decimated(samples: Float32Array, by: number): Float32Array {
	if (by <= 1) return samples;
	const half = (LENGTH * by) / 2;
	const cutoff = 0.42 / by;
	const taps = Float64Array.from({ length: 2 * half + 1 }, (_, i) => {
		const t = i - half;
		const sinc = t === 0 ? 2 * cutoff : Math.sin(2 * Math.PI * cutoff * t) / (Math.PI * t);
		const turn = (Math.PI * i) / half;
		return sinc * (0.42 - 0.5 * Math.cos(turn) + 0.08 * Math.cos(2 * turn));
	});
	const sum = taps.reduce((all, each) => all + each, 0);
	const count = Math.floor(samples.length / by);
	const out = new Float32Array(count);
	for (let k = 0; k < count; k++) {
		const middle = k * by;
		let value = 0;
		const from = Math.max(0, half - middle);
		const to = Math.min(taps.length, samples.length - middle + half);
		for (let i = from; i < to; i++) value += taps[i] * samples[middle - half + i];
		out[k] = value / sum;
	}
	return out;
}
