import { HumWatch } from './hum';
import { measurePartials, type FramePartial } from './partials';
import { SampleRing } from './sampleRing';
import type { Following, Gathering } from './sounding';
import { findPeaks, Spectrum, type Peak } from './spectrum';

/** Frames of about 0.17 s see notes from C3 up apart from their neighbours; lower ones need twice that. */
const FRAME_SECONDS = 0.13;
export const LONG_BELOW = 48;
/** Frames follow each other at a quarter of the short frame. */
const FRAMES_PER_SIZE = 4;
/** The hammer's knock is over by then. */
const SKIP_SECONDS = 0.02;
/** The first figure comes from two frames so far apart: the sooner for it, if somewhat less sure. */
const FIRST_STEP_SECONDS = 0.015;
/** Far more peaks than one string shows. */
const MOST_PEAKS = 48;

/** One frame of a string's sound: how long after the strike its middle lies, and the partials that it shows. */
export interface PartialFrame {
	readonly since: number;
	readonly partials: readonly FramePartial[];
}

/** Takes frames out of the sound that has come in: short ones, and long ones for low notes. */
export class FrameTaker {
	readonly ring: SampleRing;
	/** Samples from one frame to the next. */
	readonly hop: number;
	private readonly short: Spectrum;
	private readonly long: Spectrum;

	constructor(
		private readonly sampleRate: number,
		slice: number,
		private readonly mains: HumWatch
	) {
		const size = 2 ** Math.round(Math.log2(FRAME_SECONDS * sampleRate) + 0.3);
		this.short = new Spectrum(size);
		this.long = new Spectrum(2 * size);
		this.hop = size / FRAMES_PER_SIZE;
		this.ring = new SampleRing(4 * size, slice);
	}

	/** Count of samples at which a strike that falls now has its first frame. */
	get firstAt(): number {
		return this.ring.count + Math.round(SKIP_SECONDS * this.sampleRate) + this.short.size;
	}

	/** Whether a long frame lies within so many seconds of sound. */
	longFits(seconds: number): boolean {
		return seconds >= this.long.size / this.sampleRate + SKIP_SECONDS;
	}

	/** What stands out of the last frame, strongest first, in Hz; with the width of a bin. */
	peaks(long: boolean): { readonly peaks: readonly Peak[]; readonly resolution: number } {
		const spectrum = long ? this.long : this.short;
		spectrum.take(this.ring.samples, this.ring.count);
		const peaks = this.mains.without(findPeaks(spectrum, this.sampleRate, MOST_PEAKS), spectrum.size);
		return { peaks, resolution: this.sampleRate / spectrum.size };
	}

	/** Length of the frames by which a note is heard: partials of low ones lie close. */
	sizeFor(note: number): number {
		return this.spectrumFor(note).size;
	}

	private spectrumFor(note: number): Spectrum {
		return note < LONG_BELOW ? this.long : this.short;
	}

	/**
	 * Partials of the string that sounds, so many seconds after it was struck.
	 * @returns undefined when the frame does not fit yet, or shows none
	 */
	partialsOf(sounding: Gathering | Following, seconds: number): PartialFrame | undefined {
		const { strike } = sounding;
		const spectrum = this.spectrumFor(strike.note);
		if (spectrum === this.long && !this.longFits(seconds)) return undefined;
		const { samples, count } = this.ring;
		const firstStep = Math.round(FIRST_STEP_SECONDS * this.sampleRate);
		if (sounding.lastFrameAt === undefined) spectrum.take(samples, count - firstStep);
		spectrum.take(samples, count);
		const advance = sounding.lastFrameAt === undefined ? firstStep : count - sounding.lastFrameAt;
		sounding.lastFrameAt = count;
		const partials = this.mains.without(
			measurePartials(spectrum, this.sampleRate, strike.flexiblePitch, strike.inharmonicity, advance),
			spectrum.size
		);
		const since = seconds - (spectrum.size + advance) / 2 / this.sampleRate;
		return partials.length ? { since, partials } : undefined;
	}
}
