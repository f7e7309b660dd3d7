import { Spectrum } from '../stream/spectrum';
import type { PairSound } from './ownPartials';
import { TOGETHER_SECONDS } from './pairKeeper';

const FRAME_SECONDS = 0.04;
const HOP_SECONDS = 0.01;
/** Compared with so many hops before. */
const LAG = 3;
/** Strings that begin brighten the spectrum by so much of what the first stroke did. */
const SHARE = 0.3;
/** Within that the first key still begins, in seconds. */
const FIRST_SECONDS = 0.07;

/**
 * When the later of two keys was struck, in seconds from the first: 0 where both were struck at once.
 * What a stroke adds to the spectrum, summed over what grows (spectral flux: Dixon 2006, eq. 2).
 */
export function laterKey({ samples, sampleRate }: PairSound): number {
	const size = 2 ** Math.round(Math.log2(FRAME_SECONDS * sampleRate));
	const hop = Math.round(HOP_SECONDS * sampleRate);
	const spectrum = new Spectrum(size);
	const frames: Float64Array[] = [];
	// The first frames reach into the quiet before.
	const quiet = new Float32Array(size);
	const sound = new Float32Array(size);
	const last = Math.min(samples.length, Math.round((TOGETHER_SECONDS + 2 * FRAME_SECONDS) * sampleRate));
	for (let end = 0; end <= last; end += hop) {
		sound.set(end < size ? quiet.subarray(end) : quiet.subarray(0, 0));
		sound.set(samples.subarray(Math.max(0, end - size), end), size - Math.min(size, end));
		spectrum.take(sound, size);
		frames.push(spectrum.magnitude.slice());
	}
	const flux = frames.map((frame, i) => {
		const before = frames[i - LAG];
		return before ? frame.reduce((sum, value, k) => sum + Math.max(0, value - before[k]), 0) : 0;
	});
	const first = Math.max(...flux.slice(0, Math.round((FIRST_SECONDS + FRAME_SECONDS) / HOP_SECONDS)));
	let later = 0;
	for (let i = 1; i < flux.length - 1; i++) {
		const at = i * HOP_SECONDS - FRAME_SECONDS / 2 - (LAG * HOP_SECONDS) / 2;
		const isPeak = flux[i] >= flux[i - 1] && flux[i] > flux[i + 1];
		if (isPeak && at > FIRST_SECONDS && flux[i] > SHARE * first) later = at;
	}
	return later;
}
