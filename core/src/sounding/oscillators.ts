/** Sharpness just after a strike in cents, and how fast it goes (time constant in seconds). */
export interface Glide {
	readonly cents: number;
	readonly seconds: number;
}

/** A damped tone. */
export interface Oscillator {
	readonly frequency: number;
	readonly level: number;
	/** Share lost a second, as exp(-loss t). */
	readonly loss: number;
	readonly phase: number;
}

export interface OscillatorOptions {
	readonly sampleRate: number;
	readonly glide?: Glide;
	/** What each loses a second through the support that all of them share, when it moves by itself. */
	readonly shared?: number;
}

/** Samples between two updates of glide and coupling: short enough to be inaudible, long enough to be cheap. */
const STEP = 64;

/**
 * Adds damped tones that may share a support: what they do together falls by `shared` for each of them, what they do
 * against each other not at all. With the matrix of ones J, exp(-shared t J) = I + (exp(-n shared t) - 1) J / n.
 */
export function addOscillators(
	sound: Float32Array,
	oscillators: readonly Oscillator[],
	{ sampleRate, glide, shared = 0 }: OscillatorOptions
): void {
	const re = oscillators.map(({ level, phase }) => level * Math.cos(phase));
	const im = oscillators.map(({ level, phase }) => level * Math.sin(phase));
	const count = oscillators.length;
	const together = count > 0 ? (Math.exp((-count * shared * STEP) / sampleRate) - 1) / count : 0;
	for (let start = 0; start < sound.length; start += STEP) {
		const sharp = glide ? glide.cents * Math.exp(-start / (glide.seconds * sampleRate)) : 0;
		const bent = 2 ** (sharp / 1200);
		const end = Math.min(start + STEP, sound.length);
		oscillators.forEach(({ frequency, loss }, k) => {
			const turn = (2 * Math.PI * frequency * bent) / sampleRate;
			const fall = Math.exp(-loss / sampleRate);
			const c = fall * Math.cos(turn);
			const s = fall * Math.sin(turn);
			let [a, b] = [re[k], im[k]];
			for (let i = start; i < end; i++) {
				sound[i] += b;
				const next = a * c - b * s;
				b = a * s + b * c;
				a = next;
			}
			[re[k], im[k]] = [a, b];
		});
		if (together === 0) continue;
		const sumRe = together * re.reduce((sum, value) => sum + value, 0);
		const sumIm = together * im.reduce((sum, value) => sum + value, 0);
		for (let k = 0; k < count; k++) {
			re[k] += sumRe;
			im[k] += sumIm;
		}
	}
}
