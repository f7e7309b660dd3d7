import { createRandom } from '../numeric/random';

/** What a room and a microphone add to a sound; levels in decibels of full scale. */
export interface Room {
	/** The microphone's own noise, white. */
	readonly microphoneDb: number;
	/** Traffic, voices next door, ventilation: it falls by 3 dB an octave. */
	readonly backgroundDb: number;
	/** Mains that hum, with their harmonics. */
	readonly hum?: { readonly mains: 50 | 60; readonly db: number };
	/** Seconds in which the room's echo falls by 60 dB, and its level beside the sound; none unless given. */
	readonly echo?: { readonly seconds: number; readonly db: number };
	readonly seed: number;
}

/** A living room with a microphone a metre away. */
export const USUAL_ROOM: Room = {
	microphoneDb: -78,
	backgroundDb: -66,
	echo: { seconds: 0.45, db: -14 },
	seed: 1
};

const HUM_HARMONICS = [1, 0.6, 0.45, 0.25, 0.2, 0.12] as const;
/** Delays of a plain reverberator in seconds: combs beside each other, then passes for all pitches (Schroeder 1962). */
const COMBS = [0.0297, 0.0371, 0.0411, 0.0437] as const;
const PASSES = [
	{ delay: 0.005, gain: 0.7 },
	{ delay: 0.0017, gain: 0.7 }
] as const;

/** Puts a sound into a room, in place. */
export function addRoom(sound: Float32Array, sampleRate: number, room: Room): void {
	const { microphoneDb, backgroundDb, hum, echo, seed } = room;
	if (echo) addEcho(sound, sampleRate, echo);
	const random = createRandom(seed);
	const white = 10 ** (microphoneDb / 20);
	const pink = pinkNoise(() => random.normal());
	const background = 10 ** (backgroundDb / 20);
	for (let i = 0; i < sound.length; i++) sound[i] += white * random.normal() + background * pink();
	if (!hum) return;
	HUM_HARMONICS.forEach((share, k) => {
		const turn = (2 * Math.PI * hum.mains * (k + 1)) / sampleRate;
		const phase = 2 * Math.PI * random.uniform();
		const level = Math.SQRT2 * share * 10 ** (hum.db / 20);
		for (let i = 0; i < sound.length; i++) sound[i] += level * Math.sin(turn * i + phase);
	});
}

function addEcho(sound: Float32Array, sampleRate: number, { seconds, db }: { seconds: number; db: number }): void {
	const wet = new Float32Array(sound.length);
	for (const delay of COMBS) {
		const line = new Float32Array(Math.round(delay * sampleRate));
		const back = 10 ** ((-3 * delay) / seconds);
		for (let i = 0; i < sound.length; i++) {
			const at = i % line.length;
			const out = line[at];
			line[at] = sound[i] + back * out;
			wet[i] += out / COMBS.length;
		}
	}
	for (const { delay, gain } of PASSES) {
		const line = new Float32Array(Math.round(delay * sampleRate));
		for (let i = 0; i < wet.length; i++) {
			const at = i % line.length;
			const held = line[at];
			const into = wet[i] + gain * held;
			line[at] = into;
			wet[i] = held - gain * into;
		}
	}
	const level = 10 ** (db / 20);
	for (let i = 0; i < sound.length; i++) sound[i] += level * wet[i];
}

/** White noise through five one-pole filters an octave or two apart, scaled to an rms of about 1. */
function pinkNoise(white: () => number): () => number {
	const poles = [0.99, 0.96, 0.85, 0.5, 0];
	const state = poles.map(() => 0);
	// Each filter's own rms is 1, so that together they fall by about 3 dB an octave.
	const gains = poles.map((pole) => Math.sqrt(1 - pole * pole));
	const scale = 1 / Math.sqrt(poles.length);
	return () => {
		let sum = 0;
		for (let k = 0; k < poles.length; k++) {
			state[k] = poles[k] * state[k] + gains[k] * white();
			sum += state[k];
		}
		return scale * sum;
	};
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
