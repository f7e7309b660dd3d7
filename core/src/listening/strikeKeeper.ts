import type { StiffString } from '../strings/stiffString';
import type { ListenerEvent } from './reading';

/** The sound of one blow after it has settled, for a closer look. */
export interface KeptStrike {
	readonly note: number;
	readonly struckAt: number;
	readonly string: StiffString;
	readonly samples: Float32Array<ArrayBuffer>;
	readonly sampleRate: number;
}

/** The pitch has stopped falling after the blow by then. */
const SETTLED_SECONDS = 0.25;
/** So much of the sound is looked at, when it lasts; from so little nothing can be told. */
const MOST_SECONDS = 1.8;
const LEAST_SECONDS = 0.4;

/** Keeps the last seconds of a stream and hands out each blow that was read, once it has sounded long enough or ended. */
export class StrikeKeeper {
	private readonly ring: Float32Array;
	private count = 0;
	private struck: Omit<KeptStrike, 'samples' | 'sampleRate'> | undefined;

	constructor(private readonly sampleRate: number) {
		this.ring = new Float32Array(Math.ceil((SETTLED_SECONDS + MOST_SECONDS + 0.5) * sampleRate));
	}

	/** Takes the next samples with what the listener told of them. */
	push(samples: Float32Array, events: readonly ListenerEvent[]): KeptStrike[] {
		for (let i = 0; i < samples.length; i++) this.ring[(this.count + i) % this.ring.length] = samples[i];
		this.count += samples.length;
		const found: KeptStrike[] = [];
		for (const event of events) {
			if (event.kind === 'blow' || event.kind === 'ended' || event.kind === 'refused') this.hand(found, event.at);
			if (event.kind === 'reading' && event.reading.inharmonicity !== undefined) {
				const { note, struckAt, fundamental, inharmonicity } = event.reading;
				this.struck = { note, struckAt, string: { fundamental, inharmonicity } };
			}
		}
		const now = this.count / this.sampleRate;
		if (this.struck && now >= this.struck.struckAt + SETTLED_SECONDS + MOST_SECONDS) this.hand(found, now);
		return found;
	}

	private hand(found: KeptStrike[], until: number): void {
		const { struck, sampleRate, ring } = this;
		this.struck = undefined;
		if (!struck) return;
		const from = Math.round((struck.struckAt + SETTLED_SECONDS) * sampleRate);
		const to = Math.min(this.count, Math.round(until * sampleRate), from + Math.round(MOST_SECONDS * sampleRate));
		if (to - from < LEAST_SECONDS * sampleRate || from < this.count - ring.length) return;
		const samples = Float32Array.from({ length: to - from }, (_, i) => ring[(from + i) % ring.length]);
		found.push({ ...struck, samples, sampleRate });
	}
}
