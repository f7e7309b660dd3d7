import { partialHz, type StiffString } from '../../strings/stiffString';
import { partialEnvelope } from './envelope';

/** Loudest moment of a partial that is heard alone, beside that of the whole. */
const ALONE_PEAK = 0.7;
/** Share of its second sounding after which the whole is there. */
const FADED_IN = 0.55;

/**
 * One partial of a strike and nothing else: turned down to zero, cleared of what is about it, turned up again.
 * @returns as many samples as came in; undefined when the sound is too short, or the partial lies too high, to part it
 */
export function partialAlone(
	samples: Float32Array,
	sampleRate: number,
	string: StiffString,
	partial: number
): Float32Array<ArrayBuffer> | undefined {
	const about = partialHz(string, partial);
	if (about > 0.45 * sampleRate) return undefined;
	// Quiet on either side, so that the first and last window lie half outside.
	const pad = Math.ceil((2 * sampleRate) / string.flexiblePitch);
	const padded = new Float32Array(samples.length + 2 * pad);
	padded.set(samples, pad);
	const envelope = partialEnvelope(padded, sampleRate, about, string.flexiblePitch);
	if (!envelope) return undefined;
	const { re, im, hop, start } = envelope;
	const first = Math.round(start * sampleRate) - pad;
	const turn = (2 * Math.PI * about) / sampleRate;
	const alone = new Float32Array(samples.length);
	for (let i = 0; i < alone.length; i++) {
		const place = Math.min(Math.max((i - first) / hop, 0), re.length - 1);
		const below = Math.min(Math.floor(place), re.length - 2);
		const part = place - below;
		const a = re[below] + part * (re[below + 1] - re[below]);
		const b = im[below] + part * (im[below + 1] - im[below]);
		const at = turn * (i + pad);
		alone[i] = a * Math.cos(at) - b * Math.sin(at);
	}
	return alone;
}

/**
 * Teaches the ear where a partial lies: first alone, loud enough to be heard, then once more while the whole strike comes
 * up about it.
 * @returns two soundings one after the other; undefined as partialAlone does
 */
export function partialIntoWhole(
	samples: Float32Array,
	sampleRate: number,
	string: StiffString,
	partial: number
): Float32Array<ArrayBuffer> | undefined {
	const alone = partialAlone(samples, sampleRate, string, partial);
	if (!alone) return undefined;
	const lift = Math.max(1, (ALONE_PEAK * peakOf(samples)) / (peakOf(alone) + 1e-9));
	const { length } = samples;
	const sound = new Float32Array(2 * length);
	const fade = FADED_IN * length;
	for (let i = 0; i < length; i++) {
		sound[i] = lift * alone[i];
		const whole = Math.min(1, i / fade);
		sound[length + i] = (1 - whole) * lift * alone[i] + whole * samples[i];
	}
	return sound;
}

function peakOf(samples: Float32Array): number {
	let peak = 0;
	for (const sample of samples) peak = Math.max(peak, Math.abs(sample));
	return peak;
}
