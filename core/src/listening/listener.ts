import { hz, type Hz } from '../units/quantity';
import { StrikeFrames } from './strikeFrames';
import { habitAt, USUAL_HABITS, type ListeningHabits } from './habits';
import { HumWatch } from './hum';
import { OnsetFollower, SLICE_SECONDS } from './onset';
import { measurePartials } from './partials';
import type { ListenerEvent, Refusal } from './reading';
import { isSecondNote, LEAST_IN_BASS, noteOfPitch, recogniseNote, type ExpectedStrings } from './recognise';
import { findPeaks, Spectrum } from './spectrum';

export interface ListenerOptions {
	readonly sampleRate: number;
	readonly strings: ExpectedStrings;
	/** USUAL_HABITS unless given. */
	readonly habits?: ListeningHabits;
}

/** The note that is due, as a hint: another one is still recognised. */
export interface Due {
	readonly note: number;
	readonly pitch: Hz;
}

/** Turns a stream of samples into timed readings. */
export interface Listener {
	/**
	 * Takes the next samples (mono, -1 to 1, any number) and tells what they brought, in order.
	 * @param sampleRate when it is not the one before: what sounds is refused, and listening begins anew at that rate
	 * @throws RangeError when the rate lies outside 16 to 192 kHz
	 */
	push(samples: Float32Array, sampleRate?: number): ListenerEvent[];
	expect(due: Due | undefined): void;
	/** Other habits, from the next strike on. */
	listenBy(habits: ListeningHabits): void;
}

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
/** A multiple of the mains reaches so far in a spectrum, and bends what is not this much louder. */
const HUM_REACH_BINS = 1.5;
const HUM_MARGIN = 3;
const LEVEL_EVERY_SECONDS = 0.1;
/** A sound has ended when it is down to this above the background, or damped by this within 50 ms. */
const END_ABOVE_NOISE_DB = 6;

/** Frames this near to the fixed moment make the figure: enough to still the noise, too few to blur a glide. */
const READING_HALF_SECONDS = 0.08;

/** The first figure comes from two frames so far apart: the sooner for it, if somewhat less sure. */
const FIRST_STEP_SECONDS = 0.015;

/** @throws RangeError when the sample rate lies outside 16 to 192 kHz */
export function createListener(options: ListenerOptions): Listener {
	return new AnyRateListener(options);
}

/** Goes on when the sound card changes its rate: the clock runs through, the sound begins anew. */
class AnyRateListener implements Listener {
	private current: StreamListener;
	private due: Due | undefined;
	private habits: ListeningHabits;
	private pushed = 0;
	private before = 0;

	constructor(private readonly options: ListenerOptions) {
		this.habits = options.habits ?? USUAL_HABITS;
		this.current = this.open(options.sampleRate);
	}

	private open(sampleRate: number): StreamListener {
		if (!(sampleRate >= 16_000 && sampleRate <= 192_000))
			throw new RangeError(`createListener: a sample rate of ${sampleRate} Hz is outside 16000 to 192000`);
		const opened = new StreamListener(sampleRate, this.options.strings, this.before);
		opened.listenBy(this.habits);
		opened.expect(this.due);
		return opened;
	}

	push(samples: Float32Array, sampleRate = this.current.sampleRate): ListenerEvent[] {
		const events: ListenerEvent[] = [];
		if (sampleRate !== this.current.sampleRate) {
			const left = this.current;
			this.before += this.pushed / left.sampleRate;
			this.pushed = 0;
			this.current = this.open(sampleRate);
			left.breakOff(events);
		}
		this.pushed += samples.length;
		this.current.push(samples, events);
		return events;
	}

	expect(due: Due | undefined): void {
		this.due = due;
		this.current.expect(due);
	}

	listenBy(habits: ListeningHabits): void {
		this.habits = habits;
		this.current.listenBy(habits);
	}
}

class StreamListener {
	private readonly ring: Float32Array;
	private readonly short: Spectrum;
	private readonly long: Spectrum;
	private readonly hop: number;
	private readonly slice: number;
	private readonly wrapped: Float32Array;
	private habits: ListeningHabits = USUAL_HABITS;
	private readonly onset = new OnsetFollower();
	private readonly mains: HumWatch;
	private due: Due | undefined;
	private count = 0;
	private sinceSlice = 0;
	private sinceLevel = 0;
	private loudest = -120;
	private clipped = false;
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
		this.ring = new Float32Array(4 * size);
		this.slice = Math.round(SLICE_SECONDS * sampleRate);
		this.wrapped = new Float32Array(this.slice);
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
		const mask = this.ring.length - 1;
		let from = 0;
		while (from < samples.length) {
			const take = Math.min(this.slice - this.sinceSlice, samples.length - from);
			for (let i = 0; i < take; i++) {
				const sample = samples[from + i];
				// What no sound card sends, a broken file may hold.
				this.ring[(this.count + i) & mask] = sample >= -8 && sample <= 8 ? sample : 0;
			}
			this.count += take;
			this.sinceSlice += take;
			from += take;
			if (this.sinceSlice === this.slice) {
				this.sinceSlice = 0;
				this.endSlice(events);
			}
		}
	}

	private get now(): number {
		return this.startedAt + this.count / this.sampleRate;
	}

	private endSlice(events: ListenerEvent[]): void {
		const at = this.now;
		const from = (this.count - this.slice) & (this.ring.length - 1);
		const wraps = from + this.slice > this.ring.length;
		if (wraps) this.unwrap(from);
		const last = wraps ? this.wrapped : this.ring;
		const start = wraps ? 0 : from;
		const level = this.onset.slice(last, start, start + this.slice);
		this.mains.push(last, this.struck === undefined && !level.strike, start, start + this.slice);
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
		if (level.strike) {
			this.finish(events);
			this.struck = at - SLICE_SECONDS;
			this.strike = undefined;
			this.done = false;
			this.framesOfSize = 0;
			this.peakDb = level.db;
			this.nextFrame = this.count + Math.round(SKIP_SECONDS * this.sampleRate) + this.short.size;
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
		if (this.count >= this.nextFrame) this.frame(events, this.struck);
	}

	/** The last slice as one run of samples, where the ring ends within it. */
	private unwrap(from: number): void {
		const { wrapped, ring } = this;
		for (let i = 0; i < wrapped.length; i++) wrapped[i] = ring[(from + i) & (ring.length - 1)];
	}

	private frame(events: ListenerEvent[], struck: number): void {
		this.nextFrame = this.count + this.hop;
		if (this.done && !this.strike) return;
		const longFits = this.now - struck >= this.long.size / this.sampleRate + SKIP_SECONDS;
		if (!this.strike) this.recognise(events, struck, longFits);
		const strike = this.strike;
		if (!strike) return;
		const spectrum = strike.note < LONG_BELOW ? this.long : this.short;
		if (spectrum === this.long && !longFits) return;
		const isFirst = this.framesOfSize === 0;
		const firstStep = Math.round(FIRST_STEP_SECONDS * this.sampleRate);
		if (isFirst) spectrum.take(this.ring, this.count - firstStep);
		spectrum.take(this.ring, this.count);
		const advance = isFirst ? firstStep : this.count - this.lastFrameAt;
		this.framesOfSize++;
		this.lastFrameAt = this.count;
		const partials = this.withoutHum(
			measurePartials(spectrum, this.sampleRate, strike.fundamental, strike.inharmonicity, advance),
			spectrum
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

	/** What lies on a multiple of the mains counts only when it is well above what hums there. */
	private withoutHum<T extends { readonly frequency: number; readonly magnitude: number }>(
		found: T[],
		{ size }: Spectrum
	): T[] {
		if (!this.mains.hum) return found;
		const reach = (HUM_REACH_BINS * this.sampleRate) / size;
		return found.filter(
			({ frequency, magnitude }) => (4 * magnitude) / size > HUM_MARGIN * this.mains.amplitudeNear(frequency, reach)
		);
	}

	private recognise(events: ListenerEvent[], struck: number, longFits: boolean): void {
		const spectrum = longFits ? this.long : this.short;
		spectrum.take(this.ring, this.count);
		const binHz = this.sampleRate / spectrum.size;
		const peaks = this.withoutHum(findPeaks(spectrum, this.sampleRate, 48), spectrum);
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
