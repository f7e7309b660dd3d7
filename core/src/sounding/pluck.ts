import { createRandom } from '../numeric/random';

/** A plucked string: it begins sharp, by how hard it was plucked, and settles. */
export interface Pluck {
	/** Hz, first partial, once it has settled. */
	readonly pitch: number;
	readonly inharmonicity: number;
	/** Cents by which it begins sharp, and seconds in which that falls to a third. */
	readonly sharp: number;
	readonly settles: number;
	/** Seconds in which the first partial falls to a third; higher ones fall faster. */
	readonly rings: number;
	/** Where it is plucked, as a share of its length. */
	readonly at: number;
	/** A harmonic sounds only every so many partials; 1: the whole string. */
	readonly every: number;
	readonly seconds: number;
	/** Decibels of noise below it. */
	readonly noise: number;
	readonly seed: number;
}

export const USUAL_PLUCK: Omit<Pluck, 'pitch' | 'seed'> = {
	...{ inharmonicity: 5e-5, sharp: 2, settles: 0.25, rings: 1.6, at: 0.21, every: 1, seconds: 2.4, noise: 55 }
};

const PARTIALS = 24;
const LEVEL = 0.2;
/** Seconds in which it begins. */
const ATTACK = 0.002;
/** The noise of the nail, in seconds. */
const NAIL = 0.004;
/** Higher partials fall faster: by the root of their number. */
const faster = (n: number) => Math.sqrt(n);

export function renderPluck(pluck: Pluck, sampleRate: number): Float32Array<ArrayBuffer> {
	const { pitch, inharmonicity, sharp, settles, rings, at, every, seconds, noise, seed } = pluck;
	const random = createRandom(seed);
	const sound = new Float32Array(Math.round(seconds * sampleRate));
	const flexible = pitch / Math.sqrt(1 + inharmonicity);
	// What is the same for every partial is worked out once: how far the string has turned, in turns of an unbent one.
	const turned = new Float64Array(sound.length);
	for (let i = 1; i < sound.length; i++)
		turned[i] = turned[i - 1] + 2 ** ((sharp * Math.exp(-i / sampleRate / settles)) / 1200);
	for (let k = 1; k <= PARTIALS; k++) {
		const n = k * every;
		const frequency = n * flexible * Math.sqrt(1 + inharmonicity * n * n);
		if (frequency > 0.45 * sampleRate) break;
		const start = 2 * Math.PI * random.uniform();
		const turn = (2 * Math.PI * frequency) / sampleRate;
		const fade = Math.exp(-faster(k) / rings / sampleRate);
		let size = (LEVEL * Math.abs(Math.sin(Math.PI * n * at))) / k;
		for (let i = 0; i < sound.length; i++) {
			sound[i] += Math.min(1, i / sampleRate / ATTACK) * size * Math.sin(start + turn * turned[i]);
			size *= fade;
		}
	}
	const quiet = LEVEL * 10 ** (-noise / 20);
	for (let i = 0; i < sound.length; i++) {
		const nail = i < NAIL * sampleRate ? LEVEL * 0.4 * (1 - i / (NAIL * sampleRate)) : 0;
		sound[i] += (quiet + nail) * random.normal();
	}
	return sound;
}
