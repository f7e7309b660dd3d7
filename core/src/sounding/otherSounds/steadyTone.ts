import { createRandom } from '../../numeric/random';

export interface SteadyTone {
	/** Hz. */
	readonly pitch: number;
	/** Levels of its harmonics, the first first. */
	readonly harmonics: readonly number[];
	/** Seconds in which it comes and goes; switched on: next to nothing. */
	readonly rise: number;
	readonly seconds: number;
	/** Highest level, of full scale. */
	readonly level: number;
	readonly seed: number;
}

/** A tone that lasts: harmonics that stand still, each beginning anywhere in its turn. */
export function renderSteadyTone(tone: SteadyTone, sampleRate: number): Float32Array {
	const { pitch, harmonics, rise, seconds, level, seed } = tone;
	const random = createRandom(seed);
	const sound = new Float32Array(Math.round(seconds * sampleRate));
	const sum = harmonics.reduce((total, each) => total + each, 0);
	harmonics.forEach((share, k) => {
		const turn = (2 * Math.PI * pitch * (k + 1)) / sampleRate;
		if (turn > 0.9 * Math.PI) return;
		const phase = 2 * Math.PI * random.uniform();
		for (let i = 0; i < sound.length; i++) sound[i] += (share / sum) * Math.sin(turn * i + phase);
	});
	const ramp = Math.max(1e-4, rise);
	return sound.map((value, i) => {
		const t = i / sampleRate;
		return level * value * Math.min(1, t / ramp, (seconds - t) / ramp);
	});
}

/** A telephone that lies on the case and hums. */
export const TELEPHONE = { pitch: 150, harmonics: [1, 0.5, 0.35, 0.12, 0.1, 0.05], rise: 0.03 } as const;

/** Mains switched on beside the microphone: odd harmonics above all. */
export const mainsSwitchedOn = (mains: 50 | 60) => ({
	pitch: mains,
	harmonics: [1, 0.3, 0.7, 0.2, 0.45, 0.1, 0.25, 0.06, 0.15, 0.04, 0.1, 0.03, 0.06],
	rise: 0.002
});
