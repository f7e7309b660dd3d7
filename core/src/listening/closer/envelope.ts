import { hannWindow } from '../../numeric/hann';

/** A partial as it swells and fades: complex samples about a frequency, at a low rate. */
export interface PartialEnvelope {
	/** What the sound was turned back by, in Hz. */
	readonly about: number;
	/** Samples a second, and the time of the first, in seconds from the start of the sound. */
	readonly rate: number;
	readonly start: number;
	/** Rate of the sound it was taken from, and samples from one window to the next. */
	readonly sampleRate: number;
	readonly hop: number;
	readonly re: Float64Array;
	readonly im: Float64Array;
}

/** A Hann window of so many periods of the spacing has a null near each neighbour and 40 dB of quiet about it. */
const PERIODS = 3;
/** Share of a partial's own pitch at which its mirror is as quiet as a neighbour. */
const MIRROR = 0.8;
/** Windows follow each other at a quarter of their length. */
const OVERLAP = 4;
/** What neighbouring windows share makes errors larger than independent samples would: 1 + 2 (0.659 + 0.167 + 0.008). */
export const SHARED_NOISE = 2.67;

/**
 * Turns one partial down to zero frequency and lets nothing else through.
 * @param spacing Hz to the nearest other partial; it decides how long the windows are
 * @returns undefined when the sound is shorter than three windows
 */
export function partialEnvelope(
	samples: Float32Array,
	sampleRate: number,
	about: number,
	spacing: number
): PartialEnvelope | undefined {
	// The partial's own mirror below zero is a neighbour too, twice its frequency away.
	const room = Math.min(spacing, MIRROR * about);
	const hop = Math.max(1, Math.round((PERIODS * sampleRate) / room / OVERLAP));
	const length = OVERLAP * hop;
	const count = Math.floor((samples.length - length) / hop) + 1;
	if (count < 2 * OVERLAP + 1) return undefined;
	const { re, im } = turnedBack(samples, windowOf(length), hop, count, about / sampleRate);
	return { about, rate: sampleRate / hop, start: length / 2 / sampleRate, sampleRate, hop, re, im };
}

/** A sound turned back by a frequency, in turns a sample, window by window: twice the mean, so that a tone's size is its own. */
export function turnedBack(
	samples: Float32Array,
	window: Float64Array,
	hop: number,
	count: number,
	turns: number
): { readonly re: Float64Array; readonly im: Float64Array } {
	const re = new Float64Array(count);
	const im = new Float64Array(count);
	const { length } = window;
	const turn = 2 * Math.PI * turns;
	// What a window turns is the same for all of them, but for where they begin.
	const kernelRe = new Float64Array(length);
	const kernelIm = new Float64Array(length);
	const [dc, ds] = [Math.cos(turn), -Math.sin(turn)];
	let [c, s] = [1, 0];
	for (let i = 0; i < length; i++) {
		kernelRe[i] = window[i] * c;
		kernelIm[i] = window[i] * s;
		const next = c * dc - s * ds;
		s = s * dc + c * ds;
		c = next;
	}
	for (let k = 0; k < count; k++) {
		const from = k * hop;
		let [sumRe, sumIm] = [0, 0];
		for (let i = 0; i < length; i++) {
			const value = samples[from + i];
			sumRe += value * kernelRe[i];
			sumIm += value * kernelIm[i];
		}
		const [fc, fs] = [2 * Math.cos(turn * from), -2 * Math.sin(turn * from)];
		re[k] = sumRe * fc - sumIm * fs;
		im[k] = sumRe * fs + sumIm * fc;
	}
	return { re, im };
}

/** The window that was asked for last: a tone that is followed asks for the same one twenty times a second. */
let latest = new Float64Array();

/** A Hann window whose values add up to 1; it is shared, and nobody writes to it. */
export function windowOf(length: number): Float64Array {
	if (latest.length !== length) latest = hannWindow(length).map((value) => (2 * value) / length);
	return latest;
}

/** A partial that decays evenly. */
export interface DampedPartial {
	/** Hz, and its standard error from what the model leaves over. */
	readonly frequency: number;
	readonly error: number;
	/** Amplitudes fall by 1/e in so many seconds; negative or infinite when it does not fall. */
	readonly decaySeconds: number;
	/** Amplitude and phase at the start of the sound. */
	readonly amplitude: number;
	readonly phase: number;
	/** Share of the envelope's power that the model leaves over: a beat, a second tone, noise. */
	readonly left: number;
}

const ROUNDS = 12;
const CLOSE = 1e-10;

/**
 * Frequency, decay, amplitude and phase by least squares on the envelope (Gauss-Newton): for one tone in white noise
 * this reaches the Cramer-Rao bound, which a windowed spectrum's phase does not (Kay 1993, chapter 7).
 * @returns undefined when there is nothing to fit
 */
export function fitDampedPartial(envelope: PartialEnvelope): DampedPartial | undefined {
	const first = fitOnce(envelope);
	// A little of the partial's mirror below zero comes through the windows: known now, it is taken out.
	return first && fitOnce(withoutMirror(envelope, first));
}

/** The envelope less what the fitted tone's negative frequency puts into it. */
function withoutMirror(envelope: PartialEnvelope, tone: DampedPartial): PartialEnvelope {
	const { about, sampleRate, hop } = envelope;
	const window = windowOf(OVERLAP * hop);
	const loss = Number.isFinite(tone.decaySeconds) ? 1 / (tone.decaySeconds * sampleRate) : 0;
	const turn = (2 * Math.PI * (tone.frequency + about)) / sampleRate;
	let [hr, hi] = [0, 0];
	for (let i = 0; i < window.length; i++) {
		const fall = window[i] * Math.exp(-loss * i);
		hr += fall * Math.cos(turn * i);
		hi -= fall * Math.sin(turn * i);
	}
	const re = envelope.re.slice();
	const im = envelope.im.slice();
	for (let k = 0; k < re.length; k++) {
		const from = k * hop;
		const size = tone.amplitude * Math.exp(-loss * from);
		const angle = -tone.phase - turn * from;
		const [c, s] = [size * Math.cos(angle), size * Math.sin(angle)];
		re[k] -= c * hr - s * hi;
		im[k] -= c * hi + s * hr;
	}
	return { ...envelope, re, im };
}

function fitOnce(envelope: PartialEnvelope): DampedPartial | undefined {
	const { re, im, rate, about, start } = envelope;
	const count = re.length;
	let power = 0;
	for (let k = 0; k < count; k++) power += re[k] ** 2 + im[k] ** 2;
	if (!(power > 0)) return undefined;
	// Per window: turn in radians, loss as the logarithm of the amplitude.
	let { turn, loss } = roughTurn(envelope);
	let [a, b] = [0, 0];
	let left = power;
	let variance = 0;
	for (let round = 0; round < ROUNDS; round++) {
		// Amplitude and phase follow at once from turn and loss.
		let [sumRe, sumIm, norm] = [0, 0, 0];
		for (let k = 0; k < count; k++) {
			const fall = Math.exp(-loss * k);
			const [c, s] = [fall * Math.cos(turn * k), fall * Math.sin(turn * k)];
			sumRe += re[k] * c + im[k] * s;
			sumIm += im[k] * c - re[k] * s;
			norm += fall * fall;
		}
		[a, b] = [sumRe / norm, sumIm / norm];
		// Turn and loss are orthogonal to each other; time is counted from the middle of the power.
		let [tm, tt, pullTurn, pullLoss] = [0, 0, 0, 0];
		left = 0;
		for (let k = 0; k < count; k++) tm += k * Math.exp(-2 * loss * k);
		const middle = tm / norm;
		for (let k = 0; k < count; k++) {
			const fall = Math.exp(-loss * k);
			const [c, s] = [fall * Math.cos(turn * k), fall * Math.sin(turn * k)];
			const [mr, mi] = [a * c - b * s, a * s + b * c];
			const [er, ei] = [re[k] - mr, im[k] - mi];
			left += er * er + ei * ei;
			const t = k - middle;
			tt += t * t * (mr * mr + mi * mi);
			pullTurn += t * (mr * ei - mi * er);
			pullLoss -= t * (mr * er + mi * ei);
		}
		if (!(tt > 0)) return undefined;
		const [byTurn, byLoss] = [pullTurn / tt, pullLoss / tt];
		turn += byTurn;
		loss += Math.min(Math.max(byLoss, -0.5), 0.5);
		variance = left / Math.max(1, 2 * count - 4) / tt;
		if (Math.abs(byTurn) < CLOSE && Math.abs(byLoss) < CLOSE) break;
	}
	const perSecond = loss * rate;
	const before = start * rate;
	const angle = Math.atan2(b, a) - turn * before;
	return {
		frequency: about + (turn * rate) / (2 * Math.PI),
		error: (Math.sqrt(SHARED_NOISE * variance) * rate) / (2 * Math.PI),
		decaySeconds: 1 / perSecond,
		amplitude: Math.hypot(a, b) * Math.exp(loss * before),
		phase: Math.atan2(Math.sin(angle), Math.cos(angle)),
		left: Math.min(1, left / power)
	};
}

/** Most that a partial may turn between two windows: beyond that it lies outside what they let through. */
const FURTHEST_TURN = Math.PI / 2;
const FIRST_WINDOWS = 48;

/** Where the envelope's spectrum peaks, and how fast it falls from its first half to its second: a start for the fit. */
function roughTurn({ re, im }: PartialEnvelope): { readonly turn: number; readonly loss: number } {
	const count = re.length;
	const sumAt = (at: number, from: number, to: number) => {
		let [sumRe, sumIm] = [0, 0];
		for (let k = from; k < to; k++) {
			const [c, s] = [Math.cos(at * k), Math.sin(at * k)];
			sumRe += re[k] * c + im[k] * s;
			sumIm += im[k] * c - re[k] * s;
		}
		return Math.hypot(sumRe, sumIm);
	};
	const strongest = (from: number, to: number, windows: number) => {
		const step = Math.PI / (2 * windows);
		let [best, most] = [0, -1];
		for (let at = from; at <= to; at += step) {
			const sum = sumAt(at, 0, windows);
			if (sum > most) [best, most] = [at, sum];
		}
		return best;
	};
	// First by the loud beginning, then by the whole of it, nearby.
	const few = Math.min(count, FIRST_WINDOWS);
	const rough = strongest(-FURTHEST_TURN, FURTHEST_TURN, few);
	const turn = few === count ? rough : strongest(rough - Math.PI / few, rough + Math.PI / few, count);
	const half = Math.floor(count / 2);
	const sums = [sumAt(turn, 0, half), sumAt(turn, half, 2 * half)];
	return { turn, loss: Math.min(Math.max(Math.log(sums[0] / (sums[1] + 1e-12 * sums[0])) / half, -0.2), 2) };
}

/**
 * Least standard error in Hz that any unbiased estimator has for one real sinusoid in white noise
 * (Kay 1993: var >= (fs / 2 pi)^2 24 s^2 / (A^2 N (N^2 - 1))).
 * @param snr power of the sinusoid over that of the noise: A^2 / (2 s^2)
 */
export function leastFrequencyError(snr: number, count: number, sampleRate: number): number {
	return (sampleRate / (2 * Math.PI)) * Math.sqrt(12 / (snr * count * (count * count - 1)));
}
