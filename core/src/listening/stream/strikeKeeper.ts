import { stringFromFirstPartial, type StiffString } from '../../strings/stiffString';
import type { ListenerEvent } from '../events';
import type { StringReading } from '../reading';
import { RecentSound } from './recentSound';

/** The sound of one strike from its beginning, for a closer look. */
export interface KeptStrike {
	readonly reading: StringReading;
	/** The string as read; its B is the one given where the strike did not tell it. */
	readonly string: StiffString;
	readonly samples: Float32Array<ArrayBuffer>;
	readonly sampleRate: number;
	/** The first sample that is settled enough to be analysed. */
	readonly settledFrom: number;
}

/** A little of the quiet before a strike, so that it does not begin with a click. */
const BEFORE_SECONDS = 0.01;
/** The pitch has stopped falling after the strike by then. */
const SETTLED_SECONDS = 0.25;
/** So much of the sound is looked at, when it lasts; from so little nothing can be told. */
const MOST_SECONDS = 1.8;
const LEAST_SECONDS = 0.4;

/** Keeps the last seconds of a stream and hands out each strike that was read, once it has sounded long enough or ended. */
export class StrikeKeeper {
	private readonly recent: RecentSound;
	private struck: Pick<KeptStrike, 'reading' | 'string'> | undefined;

	/**
	 * @param inharmonicityAt B of strings that do not tell it themselves
	 * @param startedAt seconds that the listener had heard before
	 */
	constructor(
		sampleRate: number,
		private readonly inharmonicityAt: (note: number) => number,
		startedAt = 0
	) {
		this.recent = new RecentSound(sampleRate, BEFORE_SECONDS + SETTLED_SECONDS + MOST_SECONDS + 0.5, startedAt);
	}

	/** Takes the next samples with what the listener told of them. */
	push(samples: Float32Array, events: readonly ListenerEvent[]): KeptStrike[] {
		this.recent.push(samples);
		const found: KeptStrike[] = [];
		for (const event of events) {
			if (event.kind === 'strike' || event.kind === 'ended' || event.kind === 'refused') this.hand(found, event.at);
			if (event.kind === 'reading') {
				const { note, pitch, flexiblePitch, inharmonicity = this.inharmonicityAt(note) } = event.reading;
				const told = event.reading.inharmonicity !== undefined;
				const string = told ? { flexiblePitch, inharmonicity } : stringFromFirstPartial(pitch, inharmonicity);
				this.struck = { reading: event.reading, string };
			}
		}
		const { now } = this.recent;
		if (this.struck && now >= this.struck.reading.struckAt + SETTLED_SECONDS + MOST_SECONDS) this.hand(found, now);
		return found;
	}

	private hand(found: KeptStrike[], until: number): void {
		const { struck, recent } = this;
		const { sampleRate } = recent;
		this.struck = undefined;
		if (!struck) return;
		const at = (seconds: number) => recent.at(struck.reading.struckAt + seconds);
		const settled = at(SETTLED_SECONDS);
		const to = Math.min(recent.at(until), at(SETTLED_SECONDS + MOST_SECONDS));
		const { from, samples } = recent.cut(at(-BEFORE_SECONDS), to);
		if (from + samples.length - settled < LEAST_SECONDS * sampleRate || settled < from) return;
		found.push({ ...struck, samples, sampleRate, settledFrom: settled - from });
	}
}
