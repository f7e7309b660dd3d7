/*
 * A drone that the loudspeaker plays is heard by the microphone too. Its pitch is known, and the clock is the same: what it is heard as
 * is learned while nothing else sounds, and taken off while a tone does.
 */

/** Harmonics of a drone that are taken off. */
const HARMONICS = 16;
/** Seconds in which it is learned. */
const LEARNS = 0.4;
/** A tone has begun so long before it is known to have: what was learned then counts, in seconds. */
const BEFORE = 0.35;
/** Seconds between what is kept of what was learned. */
const KEEPS = 0.05;

interface Partial {
	/** What one sample turns it by, and where it stands. */
	readonly turn: readonly [re: number, im: number];
	phase: [re: number, im: number];
	/** How it is heard: amplitude and phase. */
	re: number;
	im: number;
}

/** Takes a drone out of what comes in. */
export class DroneRemover {
	private readonly partials: readonly Partial[];
	private readonly rate: number;
	private readonly each: number;
	private kept: (readonly [re: number, im: number])[][] = [];
	private since = 0;
	private isHeld = false;

	/** @param pitch of the drone, in Hz, by the clock of what comes in */
	constructor(sampleRate: number, pitch: number) {
		const count = Math.min(HARMONICS, Math.floor((0.45 * sampleRate) / pitch));
		this.partials = Array.from({ length: Math.max(0, count) }, (_, k) => {
			const angle = (2 * Math.PI * (k + 1) * pitch) / sampleRate;
			return { turn: [Math.cos(angle), Math.sin(angle)] as const, phase: [1, 0], re: 0, im: 0 };
		});
		// Least mean squares (Widrow and Stearns 1985, ch. 12): a narrow notch that widens with the rate.
		this.rate = 2 / (LEARNS * sampleRate);
		this.each = Math.round(KEEPS * sampleRate);
	}

	/** A tone sounds, or no longer: while it does nothing is learned, and what was learned before it began counts. */
	hold(isHeld: boolean): void {
		if (isHeld && !this.isHeld && this.kept.length) {
			const before = this.kept[Math.max(0, this.kept.length - 1 - Math.round(BEFORE / KEEPS))];
			for (const [i, [re, im]] of before.entries()) [this.partials[i].re, this.partials[i].im] = [re, im];
		}
		this.isHeld = isHeld;
	}

	/** Decibels of the drone as it is heard, relative to full scale. */
	get level(): number {
		const power = this.partials.reduce((sum, { re, im }) => sum + (re * re + im * im) / 2, 0);
		return 10 * Math.log10(power + 1e-12);
	}

	/** Takes the drone off samples, in place. */
	remove(samples: Float32Array): void {
		const { partials, rate, isHeld } = this;
		for (let i = 0; i < samples.length; i++) {
			let drone = 0;
			for (const { phase, re, im } of partials) drone += re * phase[0] - im * phase[1];
			const left = samples[i] - drone;
			samples[i] = left;
			for (const partial of partials) {
				const { phase, turn } = partial;
				if (!isHeld) {
					partial.re += rate * left * phase[0];
					partial.im -= rate * left * phase[1];
				}
				partial.phase = [phase[0] * turn[0] - phase[1] * turn[1], phase[0] * turn[1] + phase[1] * turn[0]];
			}
			if (++this.since < this.each) continue;
			this.since = 0;
			this.steady();
			if (!isHeld) this.kept = [...this.kept.slice(-20), partials.map(({ re, im }) => [re, im] as const)];
		}
	}

	/** Rounding grows; phases stay of length one. */
	private steady(): void {
		for (const partial of this.partials) {
			const length = Math.hypot(...partial.phase);
			partial.phase = [partial.phase[0] / length, partial.phase[1] / length];
		}
	}
}
