import { HighPass } from '../../numeric/highPass';
import { RestrikeFollower } from './restrike';

/** What happens to the level within one slice of sound. */
export interface LevelSlice {
	readonly db: number;
	/** Level of the background so far. */
	readonly noiseDb: number;
	readonly clipped: boolean;
	readonly strike: boolean;
}

/** Slices last 5 ms, so a strike is placed to within that. */
export const SLICE_SECONDS = 0.005;
/** A strike must rise this far above the level just before it ... */
const RISE_DB = 6;
/** ... or this far in its brightness ... */
const BRIGHT_RISE_DB = 9;
/** ... and stand this far above the background. */
const ABOVE_NOISE_DB = 10;
/** A string that rings this far above the background may be struck again; below, the background heaves as much. */
const RINGS_ABOVE_DB = 20;
const QUIETEST_DB = -70;
/** Slices compared with: the 50 ms before the last 10. */
const LOOK_BACK = 10;
const NEAR = 2;
/** No second strike within 90 ms: the same hammer still speaks. */
const GUARD_SLICES = 18;
/** The background follows down at once and up by 1.5 dB a second, so that a held note does not become background. */
const NOISE_CREEP_DB = 1.5 * SLICE_SECONDS;
/** Below lies the rumble of rooms, which heaves from slice to slice; every string sounds above. */
const RUMBLE_HZ = 70;
const CLIP = 0.985;
const CLIP_RUN = 3;

/** Follows the level of a stream slice by slice and tells where strikes fall. */
export class OnsetFollower {
	private readonly levels = new Float64Array(LOOK_BACK + NEAR).fill(-120);
	private readonly bright = new Float64Array(LOOK_BACK + NEAR).fill(-120);
	private noise = -40;
	private sinceStrike = GUARD_SLICES;
	private previous = 0;
	private readonly aboveRumble: HighPass;
	private readonly again: RestrikeFollower;
	/** The slice, without the rumble. */
	private readonly heard: Float64Array;
	private ringing = false;
	private seen = 0;
	/** Told again and again: two hundred a second need no memory of their own. */
	private readonly told = { db: 0, noiseDb: 0, clipped: false, strike: false };

	constructor(sampleRate: number) {
		this.aboveRumble = new HighPass(RUMBLE_HZ, sampleRate);
		this.heard = new Float64Array(Math.round(SLICE_SECONDS * sampleRate));
		this.again = new RestrikeFollower(sampleRate, SLICE_SECONDS);
	}

	/** Told that a string rings, and its pitch in Hz once it is known: struck again it rises by less than out of quiet. */
	rings(isRinging: boolean, pitch?: number): void {
		this.ringing = isRinging;
		this.again.rings(pitch);
	}

	/** Takes one slice of samples, from..to of `samples`. What it tells holds until the next one. */
	slice(samples: Float32Array, from: number, to: number): LevelSlice {
		let power = 0;
		let steps = 0;
		const { again, aboveRumble, heard: slice } = this;
		let run = 0;
		let clipped = false;
		let previous = this.previous;
		for (let i = from; i < to; i++) {
			const sample = samples[i];
			const heard = aboveRumble.next(sample);
			power += heard * heard;
			const step = heard - previous;
			steps += step * step;
			previous = heard;
			slice[i - from] = heard;
			run = Math.abs(sample) >= CLIP ? run + 1 : 0;
			if (run >= CLIP_RUN) clipped = true;
		}
		this.previous = previous;
		const risen = again.slice(slice, to - from);
		const count = to - from;
		const db = 10 * Math.log10(power / count + 1e-12);
		const brightDb = 10 * Math.log10(steps / count + 1e-12);
		this.noise = this.seen === 0 ? Math.min(db, -40) : Math.min(db, this.noise + NOISE_CREEP_DB);
		this.seen++;
		const rose = db > highest(this.levels) + RISE_DB || brightDb > highest(this.bright) + BRIGHT_RISE_DB;
		const loud = db > this.noise + ABOVE_NOISE_DB && db > QUIETEST_DB;
		this.sinceStrike++;
		// Nothing has risen before there was anything to rise from.
		const isNew = rose && this.sinceStrike > GUARD_SLICES;
		const rings = this.ringing && db > this.noise + RINGS_ABOVE_DB;
		const isAgain = rings && risen && this.sinceStrike > GUARD_SLICES + again.settled;
		const strike = loud && (isNew || isAgain) && this.seen > LOOK_BACK + NEAR;
		if (strike) this.sinceStrike = 0;
		push(this.levels, db);
		push(this.bright, brightDb);
		const { told } = this;
		told.db = db;
		told.noiseDb = this.noise;
		told.clipped = clipped;
		told.strike = strike;
		return told;
	}
}

/** Highest of the older slices; the newest NEAR may already belong to the same attack. */
function highest(history: Float64Array): number {
	let top = -Infinity;
	for (let i = 0; i < LOOK_BACK; i++) if (history[i] > top) top = history[i];
	return top;
}

function push(history: Float64Array, value: number): void {
	history.copyWithin(0, 1);
	history[history.length - 1] = value;
}
