import { hz, type Cents, type Hz } from '../../units/quantity';
import { FrameTaker, LONG_BELOW, type PartialFrame } from './frameTaker';
import { habitAt, USUAL_HABITS, type ListeningHabits } from '../habits';
import { HumWatch } from './hum';
import { OnsetFollower, SLICE_SECONDS } from './onset';
import { LevelReport } from './levelReport';
import type { Due, ListenerEvent, Refusal } from '../events';
import { isSecondNote, LEAST_IN_BASS, recogniseNote, type ExpectedStrings } from './recognise';
import type { SampleRing } from './sampleRing';
import {
	QUIET,
	type Following,
	type Gathering,
	type Quiet,
	type Recognising,
	type Refused,
	type Sounding
} from './sounding';
import { StrikeFrames } from './strikeFrames';
import { expectedPitch, whichNote } from './whichNote';

/** A strike whose note is not clear by then is refused. */
const PATIENCE_SECONDS = 0.5;
/** No string wanders by so much within four frames; a voice does. */
const WANDER_CENTS = 14;
/** Until then the key's knock may be louder than its string. */
const ATTACK_SECONDS = 0.1;
/** A sound has ended when it is down to this above the background, or has fallen by so much more than any string falls by itself. */
const END_ABOVE_NOISE_DB = 6;
const DAMPED_DB = 30;
const FALLS_DB_A_SECOND = 40;

/** Wood that is knocked rings up to there, in one tone or two. */
const KNOCKS_BELOW = 60;
const LEAST_ABOVE_BASS = 3;

/** Frames this near to the fixed moment make the figure: enough to still the noise, too few to blur a glide. */
const READING_HALF_SECONDS = 0.08;

/** So many partials at least a string shows; a knock that has but one or two is none. */
function leastPartials(note: number): number {
	if (note < LONG_BELOW) return LEAST_IN_BASS;
	return note < KNOCKS_BELOW ? LEAST_ABOVE_BASS : 1;
}

/** Listens to a stream of one rate. */
export class StreamListener {
	private readonly frames: FrameTaker;
	private readonly ring: SampleRing;
	private readonly slice: number;
	private habits: ListeningHabits = USUAL_HABITS;
	private readonly onset: OnsetFollower;
	private readonly mains: HumWatch;
	private due: Due | undefined;
	private sparing = false;
	private sinceSlice = 0;
	private readonly levels = new LevelReport();
	private sounding: Sounding = QUIET;

	constructor(
		readonly sampleRate: number,
		private readonly strings: ExpectedStrings,
		/** Seconds that had passed when this rate began. */
		private readonly startedAt: number
	) {
		this.slice = Math.round(SLICE_SECONDS * sampleRate);
		this.onset = new OnsetFollower(sampleRate);
		this.mains = new HumWatch(sampleRate);
		this.frames = new FrameTaker(sampleRate, this.slice, this.mains);
		this.ring = this.frames.ring;
	}

	expect(due: Due | undefined): void {
		this.due = due;
	}

	listenBy(habits: ListeningHabits): void {
		this.habits = habits;
	}

	spare(isBehind: boolean): void {
		this.sparing = isBehind;
	}

	/** Nothing more comes of what sounds now. */
	breakOff(events: ListenerEvent[]): void {
		const { sounding } = this;
		if (sounding.is === 'quiet') return;
		if (sounding.is === 'recognising' || sounding.is === 'gathering') this.refuse(sounding, 'interrupted', events);
		events.push({ kind: 'ended', at: this.now });
		this.sounding = QUIET;
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
		const ringing = this.sounding;
		this.onset.rings(ringing.is !== 'quiet', 'strike' in ringing ? ringing.strike.flexiblePitch : undefined);
		const level = this.onset.slice(samples, start, start + this.slice);
		this.mains.push(samples, this.sounding.is === 'quiet' && !level.strike, start, start + this.slice);
		const told = this.levels.add(at, level, this.mains.hum);
		if (told) events.push(told);
		if (level.strike) {
			this.finish(events);
			const struck = at - SLICE_SECONDS;
			this.sounding = { is: 'recognising', struck, peakDb: level.db, nextFrame: this.frames.firstAt, clipped: false };
			events.push({ kind: 'strike', at: struck });
			return;
		}
		const { sounding } = this;
		if (sounding.is === 'quiet') return;
		sounding.clipped ||= level.clipped;
		const isAttack = at - sounding.struck < ATTACK_SECONDS;
		const fallen = sounding.peakDb - FALLS_DB_A_SECOND * SLICE_SECONDS;
		sounding.peakDb = isAttack ? level.db : Math.max(fallen, level.db);
		const silent = level.db < level.noiseDb + END_ABOVE_NOISE_DB || level.db < sounding.peakDb - DAMPED_DB;
		if (silent && !isAttack) {
			this.finish(events);
			events.push({ kind: 'ended', at });
			this.sounding = QUIET;
		} else if (this.ring.count >= sounding.nextFrame) {
			sounding.nextFrame = this.ring.count + this.frames.hop;
			this.sounding = this.frame(sounding, events);
		}
	}

	/** What a frame of sound makes of what sounds. */
	private frame(sounding: Exclude<Sounding, Quiet>, events: ListenerEvent[]): Sounding {
		switch (sounding.is) {
			case 'recognising': {
				const now = this.recognise(sounding, events);
				return now.is === 'gathering' ? this.gather(now, events) : now;
			}
			case 'gathering':
				return this.gather(sounding, events);
			case 'following':
				return this.follow(sounding, events);
			case 'refused':
				return sounding;
		}
	}

	private recognise(sounding: Recognising, events: ListenerEvent[]): Recognising | Gathering | Refused {
		const { struck } = sounding;
		const longFits = this.frames.longFits(this.now - struck);
		const { peaks, resolution } = this.frames.peaks(longFits);
		const found = recogniseNote(peaks, this.strings, resolution, expectedPitch(this.due));
		const late = this.now - struck > PATIENCE_SECONDS;
		if (!found) return late ? this.refuse(sounding, 'no note', events) : sounding;
		if (isSecondNote(found)) return late ? this.refuse(sounding, 'two notes', events) : sounding;
		const { note, or } = whichNote(found.firstPartial, this.strings, this.due);
		// Bass partials lie too close for the short frame to be trusted with the octave.
		if (note < LONG_BELOW && !longFits) return sounding;
		if (note < this.strings.lowest || note > this.strings.highest) return this.refuse(sounding, 'no note', events);
		const usualB = this.strings.inharmonicityAt(note);
		const strike = new StrikeFrames(note, struck, found.firstPartial, found.inharmonicity, usualB);
		return { ...sounding, is: 'gathering', strike, or, lastFrameAt: undefined };
	}

	private gather(sounding: Gathering, events: ListenerEvent[]): Gathering | Following | Refused {
		const { strike } = sounding;
		const frame = this.frames.partialsOf(sounding, this.now - sounding.struck);
		const pitch = frame && strike.add(frame.since, frame.partials);
		if (!frame || !pitch) return sounding;
		if (strike.wander() > WANDER_CENTS) return this.refuse(sounding, 'unsteady', events);
		this.tell(strike, frame, pitch, events);
		const isTime = frame.since >= habitAt(this.habits, strike.note).moment + READING_HALF_SECONDS;
		return isTime ? this.read(sounding, events) : sounding;
	}

	/** What has been read stays read: while its pin is turned, say, it is only not followed. */
	private follow(sounding: Following, events: ListenerEvent[]): Following {
		if (this.sparing) return { ...sounding, lastFrameAt: undefined };
		const { strike } = sounding;
		const frame = this.frames.partialsOf(sounding, this.now - sounding.struck);
		const pitch = frame && strike.follow(frame.partials);
		if (frame && pitch && strike.wander() <= WANDER_CENTS) this.tell(strike, frame, pitch, events);
		return sounding;
	}

	private tell(
		{ note }: StrikeFrames,
		{ since, partials }: PartialFrame,
		{ pitch, error }: { pitch: Hz; error: Cents },
		events: ListenerEvent[]
	): void {
		const { partial } = habitAt(this.habits, note);
		const found = partials.find((each) => each.partial === partial);
		const listened = found && { partial, frequency: hz(found.frequency) };
		events.push({ kind: 'settling', at: this.now, since, note, pitch, error, listened });
	}

	private refuse(sounding: Recognising | Gathering, why: Refusal, events: ListenerEvent[]): Refused {
		events.push({ kind: 'refused', at: this.now, why });
		const { struck, peakDb, nextFrame, clipped } = sounding;
		return { is: 'refused', struck, peakDb, nextFrame, clipped };
	}

	/** Ends a strike: a note that died before its moment is read from what there is of it. */
	private finish(events: ListenerEvent[]): void {
		let { sounding } = this;
		if (sounding.is === 'gathering' && sounding.strike.frames.length >= 3) sounding = this.read(sounding, events);
		if (sounding.is === 'recognising' || sounding.is === 'gathering') this.refuse(sounding, 'no note', events);
	}

	private read(sounding: Gathering, events: ListenerEvent[]): Gathering | Following | Refused {
		const { strike } = sounding;
		const { moment } = habitAt(this.habits, strike.note);
		const size = this.frames.sizeFor(strike.note);
		const reading = strike.reading(
			moment,
			READING_HALF_SECONDS,
			(magnitude) => 20 * Math.log10((4 * magnitude) / size + 1e-9),
			sounding.clipped
		);
		if (!reading) return sounding;
		if (reading.partials.length < leastPartials(strike.note)) return this.refuse(sounding, 'no note', events);
		const origin = strike.origin();
		if (origin !== 'string') return this.refuse(sounding, origin === 'several' ? 'two notes' : origin, events);
		events.push({ kind: 'reading', at: this.now, reading, ...(sounding.or !== undefined && { or: sounding.or }) });
		return { ...sounding, is: 'following' };
	}
}
