/*
 * Strokes of a file are heard: short rasps, broad and high, one after the other. Counted so, dusty hands need not touch anything.
 */

/** What is looked at at once, in seconds. */
const LOOK = 0.01;
/** A rasp stands so many decibels over the room, and is no softer than this, for between so many looks. */
const OVER = 12;
const LEAST = -58;
const LENGTH = { least: 5, most: 70 } as const;
/** It is over when it was so much softer than it was, for so many looks. */
const FALLEN = { decibels: 9, looks: 3 } as const;
/** Noise crosses zero so often a sample, as a share: voices and reeds seldom do. */
const CROSSES = 0.16;
/** The room is as loud as it was at its softest, and rises again by so many decibels a second. */
const RISES = 3;

/** Counts strokes in what comes in; whoever asks says when no tone sounds. */
export class FileStrokes {
	private readonly look: number;
	private filled = 0;
	private power = 0;
	private crossings = 0;
	private last = 0;
	private previous = 0;
	private room = 0;
	private loudest = -200;
	private looks = 0;
	private noisy = 0;
	private quiet = 0;

	constructor(readonly sampleRate: number) {
		this.look = Math.round(LOOK * sampleRate);
	}

	/** @returns strokes that ended in these samples */
	push(samples: Float32Array): number {
		let strokes = 0;
		for (const sample of samples) {
			// What is high counts: the difference of neighbours.
			const high = sample - this.previous;
			this.previous = sample;
			this.power += high * high;
			if (high < 0 !== this.last < 0) this.crossings++;
			this.last = high;
			if (++this.filled < this.look) continue;
			strokes += this.step(10 * Math.log10(this.power / this.look + 1e-12), this.crossings / this.look);
			this.filled = this.power = this.crossings = 0;
		}
		return strokes;
	}

	private step(level: number, crossings: number): number {
		this.room = Math.min(level, this.room + RISES * LOOK);
		const isLoud = level > this.room + OVER && level > LEAST;
		if (this.looks === 0) {
			if (!isLoud) return 0;
			this.loudest = level;
			this.quiet = this.noisy = 0;
		}
		this.loudest = Math.max(this.loudest, level);
		const isOver = !isLoud || level < this.loudest - FALLEN.decibels;
		this.quiet = isOver ? this.quiet + 1 : 0;
		this.looks++;
		if (crossings > CROSSES) this.noisy++;
		if (this.quiet < FALLEN.looks) return 0;
		const looks = this.looks - this.quiet;
		const isRasp = this.noisy >= 0.7 * looks && looks >= LENGTH.least && looks <= LENGTH.most;
		this.looks = 0;
		return isRasp ? 1 : 0;
	}
}
