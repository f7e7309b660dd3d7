import type { Hz } from '../units/quantity';
import { Blow } from './blow';
import { HumWatch } from './hum';
import { OnsetFollower, SLICE_SECONDS } from './onset';
import { measurePartials } from './partials';
import type { ListenerEvent } from './reading';
import { isSecondNote, LEAST_IN_BASS, noteOfPitch, recogniseNote, type ExpectedStrings } from './recognise';
import { findPeaks, Spectrum } from './spectrum';

export interface ListenerOptions {
	readonly sampleRate: number;
	readonly strings: ExpectedStrings;
}

/** The note that is due, as a hint: another one is still recognised. */
export interface Due {
	readonly note: number;
	readonly pitch: Hz;
}

/** Turns a stream of samples into timed readings. */
export interface Listener {
	/** Takes the next samples (mono, -1 to 1, any number) and tells what they brought, in order. */
	push(samples: Float32Array): ListenerEvent[];
	expect(due: Due | undefined): void;
}

/** Frames of about 0.17 s see notes from C3 up apart from their neighbours; lower ones need twice that. */
const FRAME_SECONDS = 0.13;
const LONG_BELOW = 48;
/** Frames follow each other at a quarter of the short frame. */
const FRAMES_PER_SIZE = 4;
/** The hammer's knock is over by then. */
const SKIP_SECONDS = 0.02;
/** A blow whose note is not clear by then is refused. */
const PATIENCE_SECONDS = 0.5;
/** No string wanders by so much within four frames; a voice does. */
const WANDER_CENTS = 14;
const LEVEL_EVERY_SECONDS = 0.1;
/** A sound has ended when it is down to this above the background, or damped by this within 50 ms. */
const END_ABOVE_NOISE_DB = 6;

/** Frames this near to the fixed moment make the figure: enough to still the noise, too few to blur a glide. */
const READING_HALF_SECONDS = 0.08;

/** Seconds after the blow at which a string is read: bass strings settle late, treble strings die early. */
export function readingMoment(note: number): number {
	if (note < 40) return 0.8;
	if (note < 72) return 0.6;
	return note < 90 ? 0.4 : 0.3;
}

/** @throws RangeError when the sample rate lies outside 16 to 192 kHz */
export function createListener({ sampleRate, strings }: ListenerOptions): Listener {
	if (!(sampleRate >= 16_000 && sampleRate <= 192_000))
		throw new RangeError(`createListener: a sample rate of ${sampleRate} Hz is outside 16000 to 192000`);
	return new StreamListener(sampleRate, strings);
}

class StreamListener implements Listener {
	private readonly ring: Float32Array;
	private readonly short: Spectrum;
	private readonly long: Spectrum;
	private readonly hop: number;
	private readonly slice: number;
	private readonly onset = new OnsetFollower();
	private readonly mains: HumWatch;
	private due: Due | undefined;
	private count = 0;
	private sinceSlice = 0;
	private sinceLevel = 0;
	private loudest = -120;
	private clipped = false;
	private struck: number | undefined;
	private blow: Blow | undefined;
	private nextFrame = 0;
	private lastFrameAt = 0;
	private framesOfSize = 0;
	private done = false;
	private peakDb = -120;

	constructor(
		private readonly sampleRate: number,
		private readonly strings: ExpectedStrings
	) {
		const size = 2 ** Math.round(Math.log2(FRAME_SECONDS * sampleRate) + 0.3);
		this.short = new Spectrum(size);
		this.long = new Spectrum(2 * size);
		this.hop = size / FRAMES_PER_SIZE;
		this.ring = new Float32Array(4 * size);
		this.slice = Math.round(SLICE_SECONDS * sampleRate);
		this.mains = new HumWatch(sampleRate);
	}

	expect(due: Due | undefined): void {
		this.due = due;
	}

	push(samples: Float32Array): ListenerEvent[] {
		const events: ListenerEvent[] = [];
		const mask = this.ring.length - 1;
		let from = 0;
		while (from < samples.length) {
			const take = Math.min(this.slice - this.sinceSlice, samples.length - from);
			for (let i = 0; i < take; i++) this.ring[(this.count + i) & mask] = samples[from + i];
			this.count += take;
			this.sinceSlice += take;
			from += take;
			if (this.sinceSlice === this.slice) {
				this.sinceSlice = 0;
				this.endSlice(events);
			}
		}
		return events;
	}

	private get now(): number {
		return this.count / this.sampleRate;
	}

	private endSlice(events: ListenerEvent[]): void {
		const at = this.now;
		const from = (this.count - this.slice) & (this.ring.length - 1);
		const last = this.contiguous(from);
		const level = this.onset.slice(last, 0, this.slice);
		this.mains.push(last, this.struck === undefined && !level.blow);
		this.loudest = Math.max(this.loudest, level.db);
		this.clipped ||= level.clipped;
		if (at - this.sinceLevel >= LEVEL_EVERY_SECONDS) {
			events.push({
				kind: 'level',
				at,
				level: this.loudest,
				noise: level.noiseDb,
				clipped: this.clipped,
				hum: this.mains.hum
			});
			this.sinceLevel = at;
			this.loudest = -120;
			this.clipped = false;
		}
		if (level.blow) {
			this.finish(events);
			this.struck = at - SLICE_SECONDS;
			this.blow = undefined;
			this.done = false;
			this.framesOfSize = 0;
			this.peakDb = level.db;
			this.nextFrame = this.count + Math.round(SKIP_SECONDS * this.sampleRate) + this.short.size;
			events.push({ kind: 'blow', at: this.struck });
			return;
		}
		if (this.struck === undefined) return;
		this.peakDb = Math.max(this.peakDb - 40 * SLICE_SECONDS, level.db);
		const silent = level.db < level.noiseDb + END_ABOVE_NOISE_DB || level.db < this.peakDb - 30;
		if (silent && at - this.struck > 0.1) {
			this.finish(events);
			events.push({ kind: 'ended', at });
			this.struck = undefined;
			this.blow = undefined;
			return;
		}
		if (this.count >= this.nextFrame) this.frame(events, this.struck);
	}

	/** The last slice as one run of samples, copied only where the ring wraps. */
	private contiguous(from: number): Float32Array {
		if (from + this.slice <= this.ring.length) return this.ring.subarray(from, from + this.slice);
		const copy = new Float32Array(this.slice);
		for (let i = 0; i < this.slice; i++) copy[i] = this.ring[(from + i) & (this.ring.length - 1)];
		return copy;
	}

	private frame(events: ListenerEvent[], struck: number): void {
		this.nextFrame = this.count + this.hop;
		if (this.done && !this.blow) return;
		const longFits = this.count - struck * this.sampleRate >= this.long.size + SKIP_SECONDS * this.sampleRate;
		if (!this.blow) this.recognise(events, struck, longFits);
		const blow = this.blow;
		if (!blow) return;
		const spectrum = blow.note < LONG_BELOW ? this.long : this.short;
		if (spectrum === this.long && !longFits) return;
		spectrum.take(this.ring, this.count);
		const advance = this.framesOfSize > 0 ? this.hop + this.drift : 0;
		this.framesOfSize++;
		this.lastFrameAt = this.count;
		const partials = measurePartials(spectrum, this.sampleRate, blow.fundamental, blow.inharmonicity, advance);
		const since = this.now - struck - (spectrum.size + advance) / 2 / this.sampleRate;
		const pitch = partials.length ? blow.add(since, partials) : undefined;
		if (!pitch) return;
		if (blow.wander() > WANDER_CENTS) {
			this.refuse(events, 'unsteady');
			return;
		}
		events.push({ kind: 'settling', at: this.now, since, note: blow.note, pitch: pitch.pitch, error: pitch.error });
		if (!this.done && since >= readingMoment(blow.note) + READING_HALF_SECONDS) this.read(events, blow);
	}

	/** Frames fall on whole slices, so two of them may lie a little more than a hop apart. */
	private get drift(): number {
		return this.count - this.lastFrameAt - this.hop;
	}

	private recognise(events: ListenerEvent[], struck: number, longFits: boolean): void {
		const spectrum = longFits ? this.long : this.short;
		spectrum.take(this.ring, this.count);
		const binHz = this.sampleRate / spectrum.size;
		const peaks = findPeaks(spectrum, this.sampleRate, 48);
		const found = recogniseNote(peaks, this.strings, binHz, this.due?.pitch);
		const late = this.now - struck > PATIENCE_SECONDS;
		if (!found) {
			if (late) this.refuse(events, 'no note');
			return;
		}
		if (isSecondNote(found)) {
			if (late) this.refuse(events, 'two notes');
			return;
		}
		const note = noteOfPitch(found.firstPartial, this.strings, this.due);
		// Bass partials lie too close for the short frame to be trusted with the octave.
		if (note < LONG_BELOW && !longFits) return;
		if (note < this.strings.lowest || note > this.strings.highest) {
			this.refuse(events, 'no note');
			return;
		}
		this.blow = new Blow(note, struck, found.firstPartial, found.inharmonicity, this.strings.inharmonicityAt(note));
		this.framesOfSize = 0;
	}

	private refuse(events: ListenerEvent[], why: 'no note' | 'two notes' | 'unsteady'): void {
		events.push({ kind: 'refused', at: this.now, why });
		this.blow = undefined;
		this.done = true;
	}

	/** Ends a blow: a note that died before its moment is read from what there is of it. */
	private finish(events: ListenerEvent[]): void {
		if (this.struck === undefined || this.done) return;
		if (this.blow && this.blow.frames.length >= 3) this.read(events, this.blow);
		if (!this.done) this.refuse(events, 'no note');
	}

	private read(events: ListenerEvent[], blow: Blow): void {
		const moment = readingMoment(blow.note);
		const spectrum = blow.note < LONG_BELOW ? this.long : this.short;
		const reading = blow.reading(
			moment,
			READING_HALF_SECONDS,
			(magnitude) => 20 * Math.log10((4 * magnitude) / spectrum.size + 1e-9)
		);
		if (!reading) return;
		if (blow.note < LONG_BELOW && reading.partials.length < LEAST_IN_BASS) {
			this.refuse(events, 'no note');
			return;
		}
		this.done = true;
		events.push({ kind: 'reading', at: this.now, reading });
	}
}
