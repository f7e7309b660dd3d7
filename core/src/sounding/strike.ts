import { createRandom } from '../numeric/random';
import { partialHz, type StiffString } from '../strings/stiffString';

/** One strike of a note, as it is to be made into sound. */
export interface Strike {
	/** Decides decay and brightness; the pitch comes from the strings. */
	readonly note: number;
	/** The strings left unmuted, one to three. */
	readonly strings: readonly StiffString[];
	readonly sampleRate: number;
	readonly seconds: number;
	/** 0 (softest) to 1 (a test blow). */
	readonly strength: number;
	readonly seed: number;
	/** Sharpness just after the blow in cents, and how fast it goes (time constant in seconds). */
	readonly glide?: { readonly cents: number; readonly seconds: number };
}

/** Samples between two updates of the glide: short enough to be inaudible, long enough to be cheap. */
const GLIDE_STEP = 64;
const ATTACK_SECONDS = 0.003;
const HIGHEST_PARTIAL = 40;
const HIGHEST_HZ = 11_000;

/** Seconds in which the first partial falls by 1/e; roughly 5 s at A0, 0.6 s at A4, 0.12 s at C8. */
export function decaySeconds(note: number): number {
	return 5 * Math.exp(-0.043 * (note - 21));
}

/** Level of partial n before normalising: strike point, hardness of the hammer, and a soundboard weak below 60 Hz. */
function partialLevel(note: number, partial: number, frequency: number, strength: number): number {
	const strikePoint = Math.abs(Math.sin((Math.PI * partial) / 7.6)) + 0.05;
	const rolloff = 0.1 * Math.exp(0.025 * (note - 21)) * (1.25 - 0.25 * strength);
	const board = frequency ** 2 / (frequency ** 2 + 60 ** 2);
	return strikePoint * Math.exp(-rolloff * (partial - 1)) * board;
}

/**
 * Additive synthesis of a struck note: inharmonic partials with decays of their own, one to three
 * strings, a burst of hammer noise. The loudest moment stays below full scale.
 * @throws RangeError when no string, or more than three, is given
 */
export function renderStrike(strike: Strike): Float32Array<ArrayBuffer> {
	const { note, strings, sampleRate, seconds, strength, seed, glide } = strike;
	if (strings.length < 1 || strings.length > 3)
		throw new RangeError(`renderStrike: ${strings.length} strings given, 1 to 3 can sound`);
	const length = Math.round(seconds * sampleRate);
	const sound = new Float32Array(length);
	const random = createRandom(seed);
	const limit = Math.min(0.45 * sampleRate, HIGHEST_HZ);
	let total = 0;
	for (const string of strings) {
		for (let partial = 1; partial <= HIGHEST_PARTIAL; partial++) {
			const frequency = partialHz(string, partial);
			if (frequency > limit && partial > 1) break;
			const level = partialLevel(note, partial, frequency, strength);
			total += level;
			addPartial(sound, {
				frequency,
				level,
				decay: decaySeconds(note) / (1 + 0.07 * (partial - 1)),
				phase: 2 * Math.PI * random.uniform(),
				sampleRate,
				glide
			});
		}
	}
	const scale = (0.25 + 0.45 * strength) / total;
	const attack = ATTACK_SECONDS * sampleRate;
	const noiseLength = 0.012 * sampleRate;
	for (let i = 0; i < length; i++) {
		const rise = i < attack ? i / attack : 1;
		const knock = i < 6 * noiseLength ? 0.04 * strength * Math.exp(-i / noiseLength) * random.normal() : 0;
		sound[i] = rise * (sound[i] * scale + knock);
	}
	return sound;
}

interface PartialSound {
	readonly frequency: number;
	readonly level: number;
	readonly decay: number;
	readonly phase: number;
	readonly sampleRate: number;
	readonly glide: Strike['glide'];
}

function addPartial(sound: Float32Array, { frequency, level, decay, phase, sampleRate, glide }: PartialSound): void {
	const loss = Math.exp(-1 / (decay * sampleRate));
	let re = level * Math.cos(phase);
	let im = level * Math.sin(phase);
	for (let start = 0; start < sound.length; start += GLIDE_STEP) {
		const sharp = glide ? glide.cents * Math.exp(-start / (glide.seconds * sampleRate)) : 0;
		const turn = (2 * Math.PI * frequency * 2 ** (sharp / 1200)) / sampleRate;
		const c = loss * Math.cos(turn);
		const s = loss * Math.sin(turn);
		const end = Math.min(start + GLIDE_STEP, sound.length);
		for (let i = start; i < end; i++) {
			sound[i] += im;
			const next = re * c - im * s;
			im = re * s + im * c;
			re = next;
		}
	}
}

/** Adds white noise so that the sound's own level (rms of its first second) lies `snrDb` above the noise. */
export function addRoomNoise(sound: Float32Array, sampleRate: number, snrDb: number, seed: number): void {
	const first = sound.subarray(0, Math.min(sound.length, sampleRate));
	let power = 0;
	for (const sample of first) power += sample * sample;
	const noise = Math.sqrt(power / first.length) * 10 ** (-snrDb / 20);
	const random = createRandom(seed);
	for (let i = 0; i < sound.length; i++) sound[i] += noise * random.normal();
}
