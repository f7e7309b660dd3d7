import type { ListenerEvent } from '../events';
import { RecentSound } from '../stream/recentSound';
import { untilDamped } from './untilDamped';

/** The sound of keys that were struck together, as far as it has come. */
export interface KeptPair {
	/** When the first of them was struck, in seconds since the listener began. */
	readonly struckAt: number;
	/** The same for the last strike that was noticed; of two keys struck together it is the first one's too. */
	readonly lastStruckAt: number;
	/** From the first strike on. */
	readonly samples: Float32Array<ArrayBuffer>;
	readonly sampleRate: number;
	/** Nothing more comes of it. */
	readonly isFinal: boolean;
}

/** Keys struck within so many seconds belong together. */
export const TOGETHER_SECONDS = 0.5;
/** When a word is due, in seconds after the strike; the last one is final. */
const WORDS = [1.2, 2.2, 3.2] as const;
const LAST = WORDS[WORDS.length - 1];
/** Less than that is not worth a word. */
const LEAST_SECONDS = 0.8;
/** A strike's own fall is over by then, in seconds. */
const FALLEN_SECONDS = 0.3;

/** Keeps the sound since keys were struck, and hands it out when a word about it is due. */
export class PairKeeper {
	private readonly recent: RecentSound;
	private struck: { readonly first: number; last: number; told: number } | undefined;

	/** @param startedAt seconds that the listener had heard before */
	constructor(
		private readonly sampleRate: number,
		startedAt = 0
	) {
		this.recent = new RecentSound(sampleRate, LAST + TOGETHER_SECONDS + 0.5, startedAt);
	}

	/** Takes the next samples with what the listener told of them. */
	push(samples: Float32Array, events: readonly ListenerEvent[]): KeptPair[] {
		this.recent.push(samples);
		const found: KeptPair[] = [];
		for (const event of events) {
			if (event.kind === 'refused' && event.why === 'interrupted') this.struck = undefined;
			// Strings that fade into the noise of a room still tell their beats; damped ones do not.
			if (event.kind === 'ended' && this.struck) this.hand(found, event.at, 'when damped');
			if (event.kind === 'strike') this.begin(found, event.at);
		}
		const { struck } = this;
		if (struck && this.recent.now >= struck.last + WORDS[struck.told]) {
			struck.told++;
			this.hand(found, this.recent.now, struck.told < WORDS.length ? 'so far' : 'finally');
		}
		return found;
	}

	private begin(found: KeptPair[], at: number): void {
		const { struck } = this;
		if (struck && at - struck.first <= TOGETHER_SECONDS) {
			struck.last = at;
			struck.told = 0;
			return;
		}
		if (struck) this.hand(found, at, 'finally');
		this.struck = { first: at, last: at, told: 0 };
	}

	private hand(found: KeptPair[], until: number, how: 'so far' | 'finally' | 'when damped'): void {
		const { recent, sampleRate } = this;
		const { first, last } = this.struck!;
		const { samples } = recent.cut(recent.at(first), recent.at(until));
		const free = untilDamped(samples, sampleRate, Math.round((last - first + FALLEN_SECONDS) * sampleRate));
		const isDamped = free < samples.length;
		if (how === 'when damped' && !isDamped) return;
		const isFinal = how === 'finally' || isDamped;
		if (free >= (last - first + LEAST_SECONDS) * sampleRate)
			found.push({ struckAt: first, lastStruckAt: last, samples: samples.slice(0, free), sampleRate, isFinal });
		if (isFinal) this.struck = undefined;
	}
}
