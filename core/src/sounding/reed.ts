import { createRandom } from '../numeric/random';

/** A reed, a pipe or a bowed string: a tone that is kept going, whose overtones are harmonic. */
export interface LastingTone {
	/** Hz, at the level of full breath (0 dB). */
	readonly pitch: number;
	/** Each harmonic is weaker than the one before by this factor; harder breath makes it brighter. */
	readonly brightness: number;
	/** Seconds in which the breath comes, and goes. */
	readonly rise: number;
	readonly seconds: number;
	/** Decibels of the breath as the tone goes on: from and to, in a straight line. */
	readonly from: number;
	readonly to: number;
	/** Cents a decibel. */
	readonly slope: number;
	/** A wobble in cents and how often a second, and a drift in cents a second. */
	readonly wobble: { readonly cents: number; readonly rate: number };
	readonly drift: number;
	/** Breath: decibels below the tone. */
	readonly noise: number;
	readonly seed: number;
}

export const STEADY_REED: Omit<LastingTone, 'pitch' | 'seed'> = {
	...{ brightness: 0.75, rise: 0.2, seconds: 2, from: 0, to: 0, slope: 0 },
	...{ wobble: { cents: 0, rate: 5 }, drift: 0, noise: 40 }
};

const HARMONICS = 24;
/** Level at full breath, of full scale: the breath's decibels are those of the sound's power. */
const LEVEL = 0.12;
/** A decibel less of breath takes so much from the brightness. */
const DULLER = 0.006;
/** Decibels below full breath at which a tone begins and ends. */
const SILENT = -30;

export function renderLastingTone(tone: LastingTone, sampleRate: number): Float32Array<ArrayBuffer> {
	const { pitch, rise, seconds, from, to, slope, wobble, drift, noise, seed } = tone;
	const random = createRandom(seed);
	const sound = new Float32Array(Math.round(seconds * sampleRate));
	const phases = Array.from({ length: HARMONICS }, () => 2 * Math.PI * random.uniform());
	const start = 2 * Math.PI * random.uniform();
	const breath = LEVEL * 10 ** (-noise / 20);
	const count = Math.min(HARMONICS, Math.ceil((0.45 * sampleRate) / pitch) - 1);
	const [cosines, sines] = [Float64Array.from(phases, Math.cos), Float64Array.from(phases, Math.sin)];
	let phase = 0;
	for (let i = 0; i < sound.length; i++) {
		const t = i / sampleRate;
		const edge = Math.min(1, t / Math.max(1e-3, rise), (seconds - t) / Math.max(1e-3, rise));
		const level = from + ((to - from) * t) / seconds + SILENT * (1 - edge);
		const cents =
			slope * level + wobble.cents * Math.sin(2 * Math.PI * wobble.rate * t + start) + drift * (t - seconds / 2);
		phase += (2 * Math.PI * pitch * 2 ** (cents / 1200)) / sampleRate;
		const bright = Math.max(0.3, tone.brightness + DULLER * level);
		let [value, share, all] = [0, 1, 0];
		// Each harmonic turns by one phase more than the one before.
		const [c1, s1] = [Math.cos(phase), Math.sin(phase)];
		let [c, s] = [c1, s1];
		for (let n = 0; n < count; n++) {
			value += share * (s * cosines[n] + c * sines[n]);
			all += share * share;
			share *= bright;
			const next = c * c1 - s * s1;
			s = s * c1 + c * s1;
			c = next;
		}
		const loud = LEVEL * 10 ** (level / 20);
		sound[i] = (loud * value) / Math.sqrt(all) + breath * Math.min(1, edge + 0.1) * random.normal();
	}
	return sound;
}
