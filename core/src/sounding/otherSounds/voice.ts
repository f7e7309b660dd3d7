import { createRandom } from '../../numeric/random';

/** Centre and width of a resonance of the mouth, in Hz. */
type Formant = readonly [centre: number, width: number];

const VOWELS: readonly (readonly Formant[])[] = [
	[
		[730, 90],
		[1090, 110],
		[2440, 160]
	],
	[
		[530, 70],
		[1840, 110],
		[2480, 160]
	],
	[
		[270, 60],
		[2290, 110],
		[3010, 170]
	],
	[
		[570, 80],
		[840, 100],
		[2410, 160]
	],
	[
		[300, 60],
		[870, 100],
		[2240, 160]
	]
];

export interface HumanVoice {
	/** Hz at its beginning. */
	readonly pitch: number;
	/** Sung: one vowel held, with a vibrato of some cents; spoken: the pitch slides, the level comes and goes. */
	readonly manner: 'sung' | 'spoken';
	readonly seconds: number;
	readonly seed: number;
}

/**
 * A voice: pulses of the glottis, each a little early or late and a little louder or softer, through three resonances
 * (formants of English vowels: Peterson & Barney 1952, table II).
 */
export function renderVoice({ pitch, manner, seconds, seed }: HumanVoice, sampleRate: number): Float32Array {
	const random = createRandom(seed);
	const sung = manner === 'sung';
	const sound = new Float32Array(Math.round(seconds * sampleRate));
	const vowel = VOWELS[Math.floor(VOWELS.length * random.uniform())];
	const resonances = vowel.map(([centre, width]) =>
		resonance(centre * (0.9 + 0.2 * random.uniform()), width, sampleRate)
	);
	const vibrato = { cents: sung ? 15 * random.uniform() : 25, rate: 4.5 + 2 * random.uniform() };
	const slide = sung ? 0 : 400 * (random.uniform() - 0.5);
	const [jitter, shimmer] = sung ? [0.002, 0.03] : [0.008, 0.08];
	let phase = 0;
	let wander = 0;
	let loud = 1;
	let rest = 0;
	for (let i = 0; i < sound.length; i++) {
		const t = i / sampleRate;
		const off = vibrato.cents * Math.sin(2 * Math.PI * vibrato.rate * t) + slide * t + 1200 * wander;
		phase += (pitch * 2 ** (off / 1200)) / sampleRate;
		let pulse = rest;
		rest = 0;
		if (phase >= 1) {
			phase -= 1;
			// How far the turn has gone on since places the pulse between two samples.
			const since = phase / ((pitch * 2 ** (off / 1200)) / sampleRate);
			pulse += since * loud;
			rest = (1 - since) * loud;
			wander = jitter * random.normal();
			loud = 1 + shimmer * random.normal();
		}
		const breath = 0.002 * random.normal();
		let value = 0;
		for (const each of resonances) value += each(pulse + breath);
		const syllables = sung ? 1 : 0.55 + 0.45 * Math.sin(2 * Math.PI * 3.3 * t + 1);
		sound[i] = value * syllables * Math.min(1, t / 0.04) * Math.min(1, (seconds - t) / 0.1);
	}
	return toLevel(sound, 0.25);
}

/** A resonator of two poles. */
function resonance(centre: number, width: number, sampleRate: number): (input: number) => number {
	const r = Math.exp((-Math.PI * width) / sampleRate);
	const turn = 2 * r * Math.cos((2 * Math.PI * centre) / sampleRate);
	const gain = 1 - r;
	let [one, two] = [0, 0];
	return (input) => {
		const out = gain * input + turn * one - r * r * two;
		two = one;
		one = out;
		return out;
	};
}

/** Brings a sound's highest sample to a level. */
export function toLevel(sound: Float32Array, level: number): Float32Array {
	const most = sound.reduce((top, value) => Math.max(top, Math.abs(value)), 1e-9);
	return sound.map((value) => (level / most) * value);
}
