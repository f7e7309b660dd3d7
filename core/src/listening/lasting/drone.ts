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

/** Takes a drone out of what comes in. */
export class DroneRemover {
	/** Of each harmonic: what one sample turns it by, and where it stands. */
	private readonly turnRe: Float64Array;
	private readonly turnIm: Float64Array;
	private readonly phaseRe: Float64Array;
	private readonly phaseIm: Float64Array;
	/** How it is heard: amplitude and phase. */
	private heardRe: Float64Array;
	private heardIm: Float64Array;
	private readonly rate: number;
	private readonly each: number;
	private kept: { readonly re: Float64Array; readonly im: Float64Array }[] = [];
	private since = 0;
	private isHeld = false;

	/** @param pitch of the drone, in Hz, by the clock of what comes in */
	constructor(sampleRate: number, pitch: number) {
		const count = Math.max(0, Math.min(HARMONICS, Math.floor((0.45 * sampleRate) / pitch)));
		const angles = Float64Array.from({ length: count }, (_, k) => (2 * Math.PI * (k + 1) * pitch) / sampleRate);
		this.turnRe = angles.map(Math.cos);
		this.turnIm = angles.map(Math.sin);
		this.phaseRe = new Float64Array(count).fill(1);
		this.phaseIm = new Float64Array(count);
		this.heardRe = new Float64Array(count);
		this.heardIm = new Float64Array(count);
		// Least mean squares (Widrow and Stearns 1985, ch. 12): a narrow notch that widens with the rate.
		this.rate = 2 / (LEARNS * sampleRate);
		this.each = Math.round(KEEPS * sampleRate);
	}

	/** A tone sounds, or no longer: while it does nothing is learned, and what was learned before it began counts. */
	hold(isHeld: boolean): void {
		if (isHeld && !this.isHeld && this.kept.length) {
			const { re, im } = this.kept[Math.max(0, this.kept.length - 1 - Math.round(BEFORE / KEEPS))];
			[this.heardRe, this.heardIm] = [re.slice(), im.slice()];
		}
		this.isHeld = isHeld;
	}

	/** Decibels of the drone as it is heard, relative to full scale. */
	get level(): number {
		const { heardRe, heardIm } = this;
		const power = heardRe.reduce((sum, re, k) => sum + (re * re + heardIm[k] * heardIm[k]) / 2, 0);
		return 10 * Math.log10(power + 1e-12);
	}

	/** Takes the drone off samples, in place. */
	remove(samples: Float32Array): void {
		for (let from = 0; from < samples.length;) {
			const to = Math.min(samples.length, from + this.each - this.since);
			this.removeFrom(samples, from, to);
			this.since += to - from;
			from = to;
			if (this.since < this.each) continue;
			this.since = 0;
			this.steady();
			if (!this.isHeld) this.kept = [...this.kept.slice(-20), { re: this.heardRe.slice(), im: this.heardIm.slice() }];
		}
	}

	private removeFrom(samples: Float32Array, from: number, to: number): void {
		const { turnRe, turnIm, phaseRe, phaseIm, heardRe, heardIm } = this;
		const rate = this.isHeld ? 0 : this.rate;
		for (let i = from; i < to; i++) {
			let drone = 0;
			for (let k = 0; k < phaseRe.length; k++) drone += heardRe[k] * phaseRe[k] - heardIm[k] * phaseIm[k];
			const left = samples[i] - drone;
			samples[i] = left;
			const step = rate * left;
			for (let k = 0; k < phaseRe.length; k++) {
				const [re, im] = [phaseRe[k], phaseIm[k]];
				heardRe[k] += step * re;
				heardIm[k] -= step * im;
				phaseRe[k] = re * turnRe[k] - im * turnIm[k];
				phaseIm[k] = re * turnIm[k] + im * turnRe[k];
			}
		}
	}

	/** Rounding grows; phases stay of length one. */
	private steady(): void {
		const { phaseRe, phaseIm } = this;
		for (let k = 0; k < phaseRe.length; k++) {
			const length = Math.hypot(phaseRe[k], phaseIm[k]);
			phaseRe[k] /= length;
			phaseIm[k] /= length;
		}
	}
}
