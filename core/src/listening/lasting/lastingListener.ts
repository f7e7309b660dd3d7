import { quantile } from 'd3-array';
import type { Cents, Hz } from '../../units/quantity';
import { Blocks } from '../stream/blocks';
import { RecentSound } from '../stream/recentSound';
import { SampleRing } from '../stream/sampleRing';
import { Spectrum } from '../stream/spectrum';
import { DroneRemover } from './drone';
import { findComb, type Comb } from './comb';
import { octavePartner, type OctavePartner } from './heldInterval';
import { pressureSlope, type PressureSlope } from './pressureSlope';
import { REED_LIMITS, steadinessOf, type Steadiness, type SteadyLimits } from './steadiness';
import { pointLength, trackHarmonics, trackTone, type TonePoint } from './tracker';

/** Where a plucked string stands at a moment after the pluck. */
export interface PitchAt {
	readonly moment: number;
	readonly pitch: Hz;
	/** Standard error. */
	readonly error: Cents;
}
/** A plucked string begins sharp, and falls. */
export interface PitchFall {
	/** At those of the moments that the sound lasts to. */
	readonly at: readonly PitchAt[];
	/** B, where the partials tell it. */
	readonly inharmonicity: number | undefined;
}

/** A tone as it was measured, in the second in which it stood most still. */
export interface LastingReading {
	/** Seconds since the listener began: when the tone began, and when it ended. */
	readonly from: number;
	readonly to: number;
	readonly pitch: Hz;
	readonly error: Cents;
	/** Decibels of its harmonics, relative to full scale. */
	readonly level: number;
	/** The same where it was softest, but for a tenth of it. */
	readonly softest: number;
	/** Standard deviation about a straight line in cents, and how that line rises, in cents a second. */
	readonly wobble: Cents;
	readonly drift: number;
	/** How it follows the breath; undefined where the breath hardly changed. */
	readonly slope: PressureSlope | undefined;
	/** A second tone an octave above that sounds with it. */
	readonly partner: OctavePartner | undefined;
	/** Of a plucked string: its pitch at fixed moments. */
	readonly fall?: PitchFall;
}

/** Why what was heard is no figure. */
export type LastingRefusal =
	/** Wind, a fan, a reed that chokes: no tone. */
	| 'breath only'
	| 'two tones'
	/** It wobbles or drifts. */
	| 'uneven'
	| 'too short'
	/** Samples were lost. */
	| 'interrupted';

/** What a listener to tones that last tells, in the order of time; `at` is seconds since it began. */
export type LastingEvent =
	| { readonly kind: 'level'; readonly at: number; readonly level: number }
	/** A drone is learned from here on, by itself, until it is known; then tones are heard beside it. */
	| { readonly kind: 'learning' | 'learned'; readonly at: number }
	| { readonly kind: 'begun'; readonly at: number; readonly pitch: number }
	| ({ readonly kind: 'tone' } & TonePoint)
	| { readonly kind: 'reading'; readonly at: number; readonly reading: LastingReading }
	| { readonly kind: 'refused'; readonly at: number; readonly why: LastingRefusal }
	/** What had begun is over, and says nothing: it rang on after a tone that was told, or a drone came or went. */
	| { readonly kind: 'over'; readonly at: number };

/** A look at the sound is taken so often, in seconds, and through a window so long. */
const LOOK = 0.05;
const WINDOW = 0.17;
/** A comb has stood for so many looks: a tone. So many without it: over. */
const STANDS = 3;
const GONE = 3;
/** A comb is a tone from so many decibels over all else on, and while no more than that share belongs to another. */
const CLEAR = 8;
const FOREIGN = 0.04;
/** What is no tone is several where so much belongs to another one. */
const SEVERAL = 0.1;
/** A tone that fell by so much is over, in decibels. */
const FALLEN = 26;
/** Looks at a comb that stay within so much of each other, in cents, are one tone. */
const SAME = 60;
/** Sound louder than that, in decibels, that is no tone for so many looks, is said to be none. */
const NOISE = { level: -50, looks: 14 } as const;
/** Of its ends a tone says nothing, in seconds; less than that left over is too short. */
const ENDS = 0.12;
const SHORTEST = 0.5;
/** So long after a tone, in seconds, what is short is the end of it. */
const AFTER = 0.5;
/** A figure is taken from so many points: one second. */
const SECOND = 20;
/** Longer tones are heard to the end, but only so many seconds of them are kept. */
const KEPT = 20;
/** What is so many decibels below a drone that was taken off is what is left of it. */
const LEFT = 22;
/** A drone is learned in so many looks. */
const LEARNING = 32;
/**
 * What lasts so long beside a drone, in seconds, at its pitch and its multiples within so many cents, is the drone itself, heard
 * otherwise than it was learned: somebody turned the loudspeaker.
 */
const ENDLESS = 15;
const ITSELF = 0.5;
/** A partner is looked for in so many seconds. */
const PARTNER = 2;
/** What is softer than the softest part of it is its beginning or its end. */
const SOFTEST = 0.1;
/** More than that share of looks with a second tone: two tones. */
const MOSTLY = 0.4;

interface Quiet {
	readonly is: 'quiet';
	/** Looks at something loud that is no tone, and those of them with more than one. */
	readonly noisy: number;
	readonly several: number;
	readonly isSaid: boolean;
}
interface Rising {
	readonly is: 'rising';
	readonly from: number;
	readonly pitch: number;
	readonly looks: number;
}
interface Sounding {
	readonly is: 'sounding';
	readonly from: number;
	readonly pitch: number;
	readonly looks: number;
	/** Looks at which another tone was there. */
	readonly foreign: number;
	/** Looks without it, in a row, and the last one with it. */
	readonly gone: number;
	readonly last: number;
	readonly loudest: number;
}
type State = Quiet | Rising | Sounding;

const QUIET: State = { is: 'quiet', noisy: 0, several: 0, isSaid: false };

/** Mains that hum are a tone that lasts, and none that anybody tunes: so near to theirs, as a share. */
const MAINS = [50, 60] as const;
const NEAR_MAINS = 0.004;

const isHum = (pitch: number) => MAINS.some((mains) => Math.abs(pitch / mains - 1) < NEAR_MAINS);
const isTone = (comb: Comb | undefined): comb is Comb =>
	comb !== undefined && comb.clarity >= CLEAR && !isHum(comb.pitch);
const isSame = (pitch: number, other: number) => Math.abs(1200 * Math.log2(pitch / other)) <= SAME;

/** Listens to tones that are kept going: a comb of harmonics that has stood for a while, never a rise in level. */
export class LastingListener {
	private state: State = QUIET;
	private readonly ring: SampleRing;
	private readonly spectrum: Spectrum;
	private readonly recent: RecentSound;
	private readonly look: number;
	private readonly blocks: Blocks;
	/** When the last tone that was told ended. */
	private told = -Infinity;
	private remover: DroneRemover | undefined;
	private dronePitch: number | undefined;
	/** Looks in which a drone is still learned: nothing is heard in them. */
	private learning = 0;
	/** What a drone that came or went has brought, to be told with the next samples. */
	private brought: ('over' | 'learning')[] = [];

	constructor(
		readonly sampleRate: number,
		private readonly limits: SteadyLimits = REED_LIMITS
	) {
		if (!(sampleRate >= 16_000 && sampleRate <= 192_000))
			throw new RangeError(`LastingListener: a sample rate of ${sampleRate} Hz is outside 16000 to 192000`);
		const size = 2 ** Math.round(Math.log2(WINDOW * sampleRate));
		this.spectrum = new Spectrum(size);
		this.ring = new SampleRing(2 * size, size);
		this.recent = new RecentSound(sampleRate, KEPT);
		this.look = Math.round(LOOK * sampleRate);
		this.blocks = new Blocks(this.look);
	}

	/** A drone that the loudspeaker plays at this pitch, in Hz; undefined: none any more. */
	drone(pitch: number | undefined): void {
		this.dronePitch = pitch;
		this.remover = pitch === undefined ? undefined : new DroneRemover(this.sampleRate, pitch);
		if (this.state.is === 'sounding') this.brought.push('over');
		this.state = QUIET;
		this.learning = pitch === undefined ? 0 : LEARNING;
		if (pitch !== undefined) this.brought.push('learning');
	}

	/** Takes the next samples (mono, -1 to 1, any number) and tells what they brought, in order. */
	push(samples: Float32Array): LastingEvent[] {
		const events: LastingEvent[] = [];
		this.tellBrought(events);
		this.blocks.push(samples, (block) => this.step(block, events));
		return events;
	}

	private tellBrought(events: LastingEvent[]): void {
		for (const kind of this.brought.splice(0)) events.push({ kind, at: this.recent.now });
	}

	/** Samples did not come in: what sounds is refused. */
	lose(): LastingEvent[] {
		const was = this.state;
		this.state = QUIET;
		return was.is === 'sounding' ? [{ kind: 'refused', at: this.recent.now, why: 'interrupted' }] : [];
	}

	/** The sound is over: what sounds is read as far as it went. */
	end(): LastingEvent[] {
		const events: LastingEvent[] = [];
		if (this.state.is === 'sounding') this.tell(this.state, events);
		this.state = QUIET;
		return events;
	}

	private step(block: Float32Array, events: LastingEvent[]): void {
		this.remover?.hold(this.state.is !== 'quiet');
		this.remover?.remove(block);
		this.ring.write(block, 0, this.look);
		this.recent.push(block);
		const { now } = this.recent;
		const power = block.reduce((sum, value) => sum + value * value, 0) / this.look;
		const level = 10 * Math.log10(power + 1e-12);
		events.push({ kind: 'level', at: now, level });
		if (this.ring.count < this.spectrum.size) return;
		this.spectrum.take(this.ring.samples, this.ring.count);
		const isLeft = this.remover !== undefined && level < this.remover.level - LEFT;
		const comb = isLeft ? undefined : findComb(this.spectrum, this.sampleRate, this.limits.spread);
		if (this.learning > 0) {
			if (--this.learning === 0) events.push({ kind: 'learned', at: now });
		} else this.state = this.next(this.state, comb, level, now, events);
	}

	private next(state: State, comb: Comb | undefined, level: number, now: number, events: LastingEvent[]): State {
		switch (state.is) {
			case 'quiet':
				return isTone(comb)
					? { is: 'rising', from: now, pitch: comb.pitch, looks: 1 }
					: this.noisy(state, comb, level, now, events);
			case 'rising': {
				if (!isTone(comb)) return QUIET;
				if (!isSame(comb.pitch, state.pitch)) return { is: 'rising', from: now, pitch: comb.pitch, looks: 1 };
				if (state.looks + 1 < STANDS) return { ...state, pitch: comb.pitch, looks: state.looks + 1 };
				events.push({ kind: 'begun', at: now, pitch: comb.pitch });
				const { from } = state;
				return {
					...{ is: 'sounding', from, pitch: comb.pitch, looks: 1, foreign: 0, gone: 0 },
					...{ last: now, loudest: comb.level }
				};
			}
			case 'sounding':
				return this.sounds(state, comb, now, events);
		}
	}

	private noisy(state: Quiet, comb: Comb | undefined, level: number, now: number, events: LastingEvent[]): State {
		if (level < NOISE.level) return QUIET;
		const noisy = state.noisy + 1;
		const several = state.several + ((comb?.foreign ?? 0) > SEVERAL ? 1 : 0);
		if (noisy < NOISE.looks || state.isSaid) return { ...state, noisy, several };
		events.push({ kind: 'refused', at: now, why: several > MOSTLY * noisy ? 'two tones' : 'breath only' });
		return { ...state, noisy, several, isSaid: true };
	}

	private sounds(state: Sounding, comb: Comb | undefined, now: number, events: LastingEvent[]): State {
		const stays = isTone(comb) && comb.level > state.loudest - FALLEN;
		if (stays && isSame(comb.pitch, state.pitch)) {
			const end = this.recent.at(now);
			const begin = end - pointLength(state.pitch, this.sampleRate);
			const [point] = trackTone(this.recent.cut(begin, end).samples, this.sampleRate, state.pitch);
			if (point) events.push({ kind: 'tone', ...point, at: now });
			if (now - state.from > ENDLESS && this.isDrone(point)) {
				this.drone(this.dronePitch);
				this.tellBrought(events);
				return QUIET;
			}
			return {
				...{ ...state, looks: state.looks + 1, gone: 0, last: now },
				...{ foreign: state.foreign + (comb.foreign > FOREIGN ? 1 : 0), loudest: Math.max(state.loudest, comb.level) }
			};
		}
		if (state.gone + 1 < GONE) return { ...state, gone: state.gone + 1 };
		this.tell(state, events);
		return isTone(comb) && stays ? { is: 'rising', from: now, pitch: comb.pitch, looks: 1 } : QUIET;
	}

	private isDrone(point: TonePoint | undefined): boolean {
		if (!point || this.dronePitch === undefined) return false;
		const times = Math.max(1, Math.round(point.pitch / this.dronePitch));
		return Math.abs(1200 * Math.log2(point.pitch / (times * this.dronePitch))) < ITSELF;
	}

	/** What a tone that is over was. */
	private tell({ from, last, pitch, looks, foreign }: Sounding, events: LastingEvent[]): void {
		const at = this.recent.now;
		const refuse = (why: LastingRefusal) => {
			this.told = last;
			events.push({ kind: 'refused', at, why });
		};
		if (foreign > MOSTLY * looks) return refuse('two tones');
		const [begin, end] = [from - LOOK + ENDS, last - ENDS];
		// What rings after a tone that was told is its end, and no tone of its own.
		if (end - begin < SHORTEST) {
			if (from - this.told < AFTER) events.push({ kind: 'over', at });
			else refuse('too short');
			return;
		}
		const sound = this.recent.cut(this.recent.at(begin), this.recent.at(end));
		const middle = sound.samples.length / 2;
		const reach = (PARTNER * this.sampleRate) / 2;
		const part = sound.samples.subarray(Math.max(0, middle - reach), middle + reach);
		const partner = this.limits.partners ? octavePartner(part, this.sampleRate, pitch) : undefined;
		// With a partner the tone is followed by what is its own.
		const points = trackTone(sound.samples, this.sampleRate, pitch, partner ? [2 * pitch] : []);
		const steady = this.steadiest(points);
		if (!steady) return refuse('too short');
		if (!steady.isSteady) return refuse('uneven');
		const { pitch: found, error, wobble, drift, level } = steady;
		this.told = last;
		events.push({
			...{ kind: 'reading', at },
			reading: {
				...{ from: begin - ENDS, to: last, pitch: found, error, level, wobble, drift },
				softest: quantile(points, SOFTEST, (point) => point.level)!,
				...{ slope: pressureSlope(points, () => trackHarmonics(sound.samples, this.sampleRate, pitch)), partner }
			}
		});
	}

	/** The second in which a tone stands most still. */
	private steadiest(points: readonly TonePoint[]): Steadiness | undefined {
		const unrest = ({ wobble, drift }: Steadiness) => wobble + Math.abs(drift) / 2;
		let best: Steadiness | undefined;
		for (let first = 0; first <= Math.max(0, points.length - SECOND); first++) {
			const steady = steadinessOf(points.slice(first, first + SECOND), this.limits);
			if (steady && (!best || unrest(steady) < unrest(best))) best = steady;
		}
		return best;
	}
}
