import { median } from 'd3-array';
import { Blocks } from '../stream/blocks';
import { RecentSound } from '../stream/recentSound';
import { heldBeat, isThere, LEAST_TURNS, octavePartner, type HeldBeat } from './heldInterval';
import { trackTone } from './tracker';

/** Tones that are to sound together, and the pairs of them whose beats are asked for. */
export interface Together {
	/** Hz, as they are thought to stand. */
	readonly tones: readonly number[];
	readonly pairs: readonly {
		readonly lower: number;
		readonly upper: number;
		readonly partials: readonly [lowerPartial: number, upperPartial: number];
	}[];
}

/** What tones that sounded together told; `at` is seconds since the listener began. */
export type TogetherEvent =
	| { readonly kind: 'level'; readonly at: number; readonly level: number }
	| { readonly kind: 'begun'; readonly at: number }
	| {
			readonly kind: 'beats';
			readonly at: number;
			/** Decibels of all of it, relative to full scale. */
			readonly level: number;
			/** Of each pair; undefined: it was not heard, or nothing tells its tones apart. */
			readonly beats: readonly (HeldBeat | undefined)[];
	  }
	| { readonly kind: 'refused'; readonly at: number; readonly why: 'too short' | 'not these' | 'interrupted' };

const BLOCK = 0.05;
/** Sound that is louder than that, in decibels, for so many blocks, has begun; so much softer than it was loudest it is over. */
const BEGINS = { level: -52, blocks: 4 } as const;
const FALLEN = 16;
/** What is left out at either end, in seconds; the least that tells a beat, and the most that is kept. */
const ENDS = { begin: 0.35, end: 0.2 } as const;
const SHORTEST = 1;
const KEPT = 6;

/** Two tones of an octave have no harmonics of the upper one's own. */
const isOctave = ([p, q]: readonly [number, number]) => p === 2 && q === 1;

/** An octave that shows no second tone is slower than could be told in that time, or only one of its tones sounded. */
function octaveBeat(samples: Float32Array, sampleRate: number, lower: number): HeldBeat | undefined {
	const partner = octavePartner(samples, sampleRate, lower);
	if (partner) return partner;
	const alone = trackTone(samples, sampleRate, lower, [2 * lower]);
	if (!isThere(alone)) return undefined;
	return { rate: 0, error: (LEAST_TURNS * sampleRate) / samples.length, sense: undefined };
}

/** Listens to tones that are known and sound together: two reeds, or a chord. */
export class TogetherListener {
	private readonly recent: RecentSound;
	private readonly blocks: Blocks;
	private loud = 0;
	private from: number | undefined;
	private levels: number[] = [];

	constructor(
		readonly sampleRate: number,
		private asked: Together
	) {
		this.recent = new RecentSound(sampleRate, KEPT + 1);
		this.blocks = new Blocks(Math.round(BLOCK * sampleRate));
	}

	/** Other tones are asked for; what sounds is left out. */
	ask(asked: Together): void {
		this.asked = asked;
		this.rest();
	}

	push(samples: Float32Array): TogetherEvent[] {
		const events: TogetherEvent[] = [];
		this.blocks.push(samples, (block) => {
			this.recent.push(block);
			this.step(block, events);
		});
		return events;
	}

	/** Samples did not come in: what sounds is refused. */
	lose(): TogetherEvent[] {
		const sounded = this.from !== undefined;
		this.rest();
		return sounded ? [{ kind: 'refused', at: this.recent.now, why: 'interrupted' }] : [];
	}

	private rest(): void {
		this.loud = 0;
		this.from = undefined;
		this.levels = [];
	}

	private step(block: Float32Array, events: TogetherEvent[]): void {
		const at = this.recent.now;
		const power = block.reduce((sum, value) => sum + value * value, 0) / block.length;
		const level = 10 * Math.log10(power + 1e-12);
		events.push({ kind: 'level', at, level });
		if (this.from === undefined) {
			this.loud = level > BEGINS.level ? this.loud + 1 : 0;
			if (this.loud < BEGINS.blocks) return;
			this.from = at - this.loud * BLOCK;
			this.levels = [level];
			events.push({ kind: 'begun', at });
			return;
		}
		const isOver = level < Math.max(...this.levels) - FALLEN || level < BEGINS.level;
		if (!isOver) this.levels.push(level);
		if (!isOver && at - this.from < KEPT) return;
		events.push(this.told(this.from, at));
		this.rest();
		// What goes on sounding after it was told is heard when it begins anew.
		this.loud = isOver ? 0 : -Infinity;
	}

	private told(from: number, to: number): TogetherEvent {
		const at = this.recent.now;
		const [begin, end] = [from + ENDS.begin, to - ENDS.end];
		if (end - begin < SHORTEST) return { kind: 'refused', at, why: 'too short' };
		const { samples } = this.recent.cut(this.recent.at(begin), this.recent.at(end));
		const { tones, pairs } = this.asked;
		const beats = pairs.map(({ lower, upper, partials }) => {
			if (isOctave(partials)) return octaveBeat(samples, this.sampleRate, tones[lower]);
			const others = tones.filter((_, i) => i !== lower && i !== upper);
			return heldBeat(samples, this.sampleRate, tones[lower], tones[upper], partials, others);
		});
		if (beats.every((beat) => beat === undefined)) return { kind: 'refused', at, why: 'not these' };
		return { kind: 'beats', at, level: median(this.levels)!, beats };
	}
}
