import { cents } from '../../units/quantity';
import { findComb } from '../lasting/comb';
import type { LastingEvent, LastingReading, LastingRefusal } from '../lasting/lastingListener';
import { trackTone } from '../lasting/tracker';
import { Blocks } from '../stream/blocks';
import { RecentSound } from '../stream/recentSound';
import { SampleRing } from '../stream/sampleRing';
import { Spectrum } from '../stream/spectrum';
import { pitchFall, SETTLED } from './pitchFall';

/** A look at the sound is taken so often, in seconds. */
const LOOK = 0.01;
/** The window of the look for a comb, and so long after the pluck is the first. */
const WINDOW = 0.17;
const FIRST_COMB = 0.22;
/** Looks that a rise is measured over, and decibels of it. */
const BEFORE = 8;
const RISE = 9;
const SILENT = -58;
/** A pluck is read so long after it, in seconds, or when it has died away by so many decibels. */
const READ = 1.75;
const FALLEN = 28;
/** What dies away sooner is too short. */
const SHORTEST = 0.65;
/** A live figure so often, from a stretch so long. */
const LIVE = 0.1;
const CHUNK = 0.15;
/** Harmonics of stiff strings stand off a comb by that share. */
const SPREAD = 0.012;
const CLEAR = 4;
const FOREIGN = 0.12;

interface Quiet {
	readonly is: 'quiet';
}
interface Sounding {
	readonly is: 'sounding';
	readonly from: number;
	readonly loudest: number;
	readonly pitch: number | undefined;
	readonly lastLive: number;
}
/** Read already; it rings on. */
interface Ringing {
	readonly is: 'ringing';
}
type State = Quiet | Sounding | Ringing;

/** Listens to plucked strings: known by the rise of the pluck, read at fixed moments after it. */
export class PluckListener {
	private state: State = { is: 'quiet' };
	private readonly ring: SampleRing;
	private readonly spectrum: Spectrum;
	private readonly recent: RecentSound;
	private readonly look: number;
	private readonly blocks: Blocks;
	private readonly levels: number[] = [];

	/** @throws RangeError when the sample rate lies outside 16 to 192 kHz */
	constructor(readonly sampleRate: number) {
		if (!(sampleRate >= 16_000 && sampleRate <= 192_000))
			throw new RangeError(`PluckListener: a sample rate of ${sampleRate} Hz is outside 16000 to 192000`);
		const size = 2 ** Math.round(Math.log2(WINDOW * sampleRate));
		this.spectrum = new Spectrum(size);
		this.ring = new SampleRing(2 * size, size);
		this.recent = new RecentSound(sampleRate, 4);
		this.look = Math.round(LOOK * sampleRate);
		this.blocks = new Blocks(this.look);
	}

	/** Takes the next samples (mono, -1 to 1, any number) and tells what they brought, in order. */
	push(samples: Float32Array): LastingEvent[] {
		const events: LastingEvent[] = [];
		this.blocks.push(samples, (block) => this.step(block, events));
		return events;
	}

	/** Samples did not come in: what sounds is refused. */
	lose(): LastingEvent[] {
		const was = this.state;
		this.state = { is: 'quiet' };
		return was.is === 'sounding' ? [{ kind: 'refused', at: this.recent.now, why: 'interrupted' }] : [];
	}

	/** The sound is over: what sounds is read as far as it went. */
	end(): LastingEvent[] {
		const events: LastingEvent[] = [];
		if (this.state.is === 'sounding') this.tell(this.state, events);
		this.state = { is: 'quiet' };
		return events;
	}

	private step(block: Float32Array, events: LastingEvent[]): void {
		this.ring.write(block, 0, this.look);
		this.recent.push(block);
		const { now } = this.recent;
		const power = block.reduce((sum, value) => sum + value * value, 0) / this.look;
		const level = 10 * Math.log10(power + 1e-12);
		this.levels.push(level);
		if (this.levels.length > BEFORE + 1) this.levels.shift();
		events.push({ kind: 'level', at: now, level });
		const before = this.levels.slice(0, -2);
		const isPluck = before.length >= BEFORE - 1 && level > SILENT && level - Math.max(...before) > RISE;
		if (isPluck) {
			// A string that is plucked again before it was read was too short.
			if (this.state.is === 'sounding') this.tell(this.state, events);
			this.levels.length = 0;
			this.state = { is: 'sounding', from: now - 2 * LOOK, loudest: level, pitch: undefined, lastLive: now };
			return;
		}
		if (this.state.is === 'sounding') this.state = this.sounds(this.state, level, now, events);
		else if (this.state.is === 'ringing' && level < SILENT) this.state = { is: 'quiet' };
	}

	private sounds(state: Sounding, level: number, now: number, events: LastingEvent[]): State {
		const loudest = Math.max(state.loudest, level);
		const since = now - state.from;
		if (since >= READ || level < loudest - FALLEN) {
			this.tell({ ...state, loudest }, events);
			return { is: 'ringing' };
		}
		if (state.pitch === undefined) {
			if (since < FIRST_COMB || this.ring.count < this.spectrum.size) return { ...state, loudest };
			const pitch = this.combNow();
			if (typeof pitch !== 'number') {
				events.push({ kind: 'refused', at: now, why: pitch });
				return { is: 'ringing' };
			}
			events.push({ kind: 'begun', at: now, pitch });
			return { ...state, loudest, pitch, lastLive: now };
		}
		if (now - state.lastLive < LIVE) return { ...state, loudest };
		const chunk = this.recent.cut(this.recent.at(now - CHUNK), this.recent.at(now)).samples;
		const [point] = trackTone(chunk, this.sampleRate, state.pitch);
		if (point) events.push({ kind: 'tone', ...point, at: now });
		return { ...state, loudest, lastLive: now };
	}

	/** The pitch of the comb that stands now, or why there is none. */
	private combNow(): number | LastingRefusal {
		this.spectrum.take(this.ring.samples, this.ring.count);
		const comb = findComb(this.spectrum, this.sampleRate, SPREAD);
		if (comb && comb.foreign > FOREIGN) return 'two tones';
		return comb && comb.clarity >= CLEAR ? comb.pitch : 'breath only';
	}

	/** What a string that was heard was. */
	private tell({ from, pitch, loudest }: Sounding, events: LastingEvent[]): void {
		const at = this.recent.now;
		if (pitch === undefined) return;
		if (at - from < SHORTEST) {
			events.push({ kind: 'refused', at, why: 'too short' });
			return;
		}
		const { samples } = this.recent.cut(this.recent.at(from), this.recent.at(at));
		const fall = pitchFall(samples, this.sampleRate, pitch);
		const settled = fall?.at.find(({ moment }) => moment === SETTLED) ?? fall?.at[0];
		if (!fall || !settled) {
			events.push({ kind: 'refused', at, why: 'too short' });
			return;
		}
		const last = fall.at.at(-1)!;
		const seconds = last.moment - settled.moment;
		const reading: LastingReading = {
			...{ from, to: at, pitch: settled.pitch, error: settled.error, level: loudest, softest: loudest },
			...{ wobble: cents(0), slope: undefined, partner: undefined, fall },
			drift: seconds > 0 ? (1200 * Math.log2(last.pitch / settled.pitch)) / seconds : 0
		};
		events.push({ kind: 'reading', at, reading });
	}
}
