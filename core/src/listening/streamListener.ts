import { hz } from '../units/quantity';
import { habitAt, USUAL_HABITS, type ListeningHabits } from './habits';
import { HumWatch } from './hum';
import { OnsetFollower, SLICE_SECONDS } from './onset';
import { LevelReport } from './levelReport';
import { measurePartials } from './partials';
import type { Due, ListenerEvent, Refusal } from './events';
import { isSecondNote, LEAST_IN_BASS, noteOfPitch, recogniseNote, type ExpectedStrings } from './recognise';
import { SampleRing } from './sampleRing';
import { findPeaks, Spectrum } from './spectrum';
import { StrikeFrames } from './strikeFrames';

/** Frames of about 0.17 s see notes from C3 up apart from their neighbours; lower ones need twice that. */
const FRAME_SECONDS = 0.13;
const LONG_BELOW = 48;
/** Frames follow each other at a quarter of the short frame. */
const FRAMES_PER_SIZE = 4;
/** The hammer's knock is over by then. */
const SKIP_SECONDS = 0.02;
/** A strike whose note is not clear by then is refused. */
const PATIENCE_SECONDS = 0.5;
/** No string wanders by so much within four frames; a voice does. */
const WANDER_CENTS = 14;
/** A sound has ended when it is down to this above the background, or damped by this within 50 ms. */
const END_ABOVE_NOISE_DB = 6;

/** Frames this near to the fixed moment make the figure: enough to still the noise, too few to blur a glide. */
const READING_HALF_SECONDS = 0.08;

/** The first figure comes from two frames so far apart: the sooner for it, if somewhat less sure. */
const FIRST_STEP_SECONDS = 0.015;

/** Listens to a stream of one rate. */
export class StreamListener {
	private readonly ring: SampleRing;
	private readonly short: Spectrum;
	private readonly long: Spectrum;
	private readonly hop: number;
	private readonly slice: number;
	private habits: ListeningHabits = USUAL_HABITS;
	private readonly onset = new OnsetFollower();
	private readonly mains: HumWatch;
	private due: Due | undefined;
	private sinceSlice = 0;
	private readonly levels = new LevelReport();
	private struck: number | undefined;
	private strike: StrikeFrames | undefined;
	private nextFrame = 0;
	private lastFrameAt = 0;
	private framesOfSize = 0;
	private done = false;
	private peakDb = -120;

	constructor(
		readonly sampleRate: number,
		private readonly strings: ExpectedStrings,
		/** Seconds that had passed when this rate began. */
		private readonly startedAt: number
	) {
		const size = 2 ** Math.round(Math.log2(FRAME_SECONDS * sampleRate) + 0.3);
		this.short = new Spectrum(size);
		this.long = new Spectrum(2 * size);
		this.hop = size / FRAMES_PER_SIZE;
		this.slice = Math.round(SLICE_SECONDS * sampleRate);
		this.ring = new SampleRing(4 * size, this.slice);
		this.mains = new HumWatch(sampleRate);
	}

	expect(due: Due | undefined): void {
		this.due = due;
	}

	listenBy(habits: ListeningHabits): void {
		this.habits = habits;
	}

	/** Nothing more comes of what sounds now. */
	breakOff(events: ListenerEvent[]): void {
		if (this.struck === undefined) return;
		if (!this.done) this.refuse(events, 'interrupted');
		events.push({ kind: 'ended', at: this.now });
		this.struck = undefined;
	}

	push(samples: Float32Array, events: ListenerEvent[]): void {
		let from = 0;
		while (from < samples.length) {
			const take = Math.min(this.slice - this.sinceSlice, samples.length - from);
			this.ring.write(samples, from, take);
			this.sinceSlice += take;
			from += take;
			if (this.sinceSlice === this.slice) {
				this.sinceSlice = 0;
				this.endSlice(events);
			}
		}
	}

	private get now(): number {
		return this.startedAt + this.ring.count / this.sampleRate;
	}

	private endSlice(events: ListenerEvent[]): void {
		const at = this.now;
		const { samples, start } = this.ring.last();
		const level = this.onset.slice(samples, start, start + this.slice);
		this.mains.push(samples, this.struck === undefined && !level.strike, start, start + this.slice);
		const told = this.levels.add(at, level, this.mains.hum);
		if (told) events.push(told);
		if (level.strike) {
			this.finish(events);
			this.struck = at - SLICE_SECONDS;
			this.strike = undefined;
			this.done = false;
			this.framesOfSize = 0;
			this.peakDb = level.db;
			this.nextFrame = this.ring.count + Math.round(SKIP_SECONDS * this.sampleRate) + this.short.size;
			events.push({ kind: 'strike', at: this.struck });
			return;
		}
		if (this.struck === undefined) return;
		this.peakDb = Math.max(this.peakDb - 40 * SLICE_SECONDS, level.db);
		const silent = level.db < level.noiseDb + END_ABOVE_NOISE_DB || level.db < this.peakDb - 30;
		if (silent && at - this.struck > 0.1) {
			this.finish(events);
			events.push({ kind: 'ended', at });
			this.struck = undefined;
			this.strike = undefined;
			return;
		}
		if (this.ring.count >= this.nextFrame) this.frame(events, this.struck);
	}

	private frame(events: ListenerEvent[], struck: number): void {
		this.nextFrame = this.ring.count + this.hop;
		if (this.done && !this.strike) return;
		const longFits = this.now - struck >= this.long.size / this.sampleRate + SKIP_SECONDS;
		if (!this.strike) this.recognise(events, struck, longFits);
		const strike = this.strike;
		if (!strike) return;
		const spectrum = strike.note < LONG_BELOW ? this.long : this.short;
		if (spectrum === this.long && !longFits) return;
		const isFirst = this.framesOfSize === 0;
		const firstStep = Math.round(FIRST_STEP_SECONDS * this.sampleRate);
		if (isFirst) spectrum.take(this.ring.samples, this.ring.count - firstStep);
		spectrum.take(this.ring.samples, this.ring.count);
		const advance = isFirst ? firstStep : this.ring.count - this.lastFrameAt;
		this.framesOfSize++;
		this.lastFrameAt = this.ring.count;
		const partials = this.mains.without(
			measurePartials(spectrum, this.sampleRate, strike.flexiblePitch, strike.inharmonicity, advance),
			spectrum.size
		);
		const since = this.now - struck - (spectrum.size + advance) / 2 / this.sampleRate;
		if (partials.length === 0) return;
		const pitch = this.done ? strike.follow(partials) : strike.add(since, partials);
		if (!pitch) return;
		if (strike.wander() > WANDER_CENTS) {
			// What has been read stays read: while its pin is turned, say, it is only not followed.
			if (!this.done) this.refuse(events, 'unsteady');
			return;
		}
		const { partial, moment } = habitAt(this.habits, strike.note);
		const listened = partials.find((each) => each.partial === partial);
		events.push({
			kind: 'settling',
			at: this.now,
			since,
			note: strike.note,
			pitch: pitch.pitch,
			error: pitch.error,
			listened: listened && { partial, frequency: hz(listened.frequency) }
		});
		if (!this.done && since >= moment + READING_HALF_SECONDS) this.read(events, strike);
	}

	private recognise(events: ListenerEvent[], struck: number, longFits: boolean): void {
		const spectrum = longFits ? this.long : this.short;
		spectrum.take(this.ring.samples, this.ring.count);
		const binHz = this.sampleRate / spectrum.size;
		const peaks = this.mains.without(findPeaks(spectrum, this.sampleRate, 48), spectrum.size);
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
		this.strike = new StrikeFrames(
			note,
			struck,
			found.firstPartial,
			found.inharmonicity,
			this.strings.inharmonicityAt(note)
		);
		this.framesOfSize = 0;
	}

	private refuse(events: ListenerEvent[], why: Refusal): void {
		events.push({ kind: 'refused', at: this.now, why });
		this.strike = undefined;
		this.done = true;
	}

	/** Ends a strike: a note that died before its moment is read from what there is of it. */
	private finish(events: ListenerEvent[]): void {
		if (this.struck === undefined || this.done) return;
		if (this.strike && this.strike.frames.length >= 3) this.read(events, this.strike);
		if (!this.done) this.refuse(events, 'no note');
	}

	private read(events: ListenerEvent[], strike: StrikeFrames): void {
		const { moment } = habitAt(this.habits, strike.note);
		const spectrum = strike.note < LONG_BELOW ? this.long : this.short;
		const reading = strike.reading(
			moment,
			READING_HALF_SECONDS,
			(magnitude) => 20 * Math.log10((4 * magnitude) / spectrum.size + 1e-9)
		);
		if (!reading) return;
		if (strike.note < LONG_BELOW && reading.partials.length < LEAST_IN_BASS) {
			this.refuse(events, 'no note');
			return;
		}
		this.done = true;
		events.push({ kind: 'reading', at: this.now, reading });
	}
}
