import { hz, type Cents, type Hz } from '../units/quantity';
import type { FramePartial } from './partials';
import type { MeasuredPartial, StringReading } from './reading';
import { fitHoldingB, fitString, plausiblePartials, type KnownB, type PartialFrequency } from './stringFit';

/** How far a typical inharmonicity may be from a string's own. */
const UNREAD_DOUBT = 0.5;

/** One frame of a blow: where its middle lies after the blow, and its partials. */
interface Frame {
	readonly since: number;
	readonly partials: readonly FramePartial[];
}

/** Collects the frames of one blow and turns them into figures. */
export class Blow {
	readonly frames: Frame[] = [];
	fundamental: number;
	inharmonicity: number;
	/** Relative uncertainty of `inharmonicity`: large until the blow's own frames have told it. */
	private doubt = UNREAD_DOUBT;
	private pitches: number[] = [];

	constructor(
		readonly note: number,
		readonly struckAt: number,
		firstPartial: number,
		inharmonicity: number,
		/** B that strings of this note usually have. */
		private readonly usualB: number
	) {
		this.inharmonicity = inharmonicity;
		this.fundamental = firstPartial / Math.sqrt(1 + inharmonicity);
	}

	/** Takes a frame; tells the pitch now, or undefined while nothing has been measured by phase. */
	add(since: number, partials: readonly FramePartial[]): { pitch: Hz; error: Cents } | undefined {
		this.frames.push({ since, partials });
		const byPhase = partials.filter((partial) => partial.byPhase);
		if (byPhase.length > 2) {
			// B does not change within a blow: the mean over its frames settles faster than any one of them.
			const whole = fitString(plausiblePartials(this.mean(-Infinity, Infinity), this.usualB), this.knownB);
			if (whole?.inharmonicity !== undefined && whole.inharmonicityError !== undefined) {
				this.inharmonicity = whole.inharmonicity;
				this.doubt = whole.inharmonicityError / whole.inharmonicity;
			}
		}
		const held = fitHoldingB(byPhase.length ? byPhase : partials, this.knownB);
		if (!held) return undefined;
		this.fundamental = held.fundamental;
		if (byPhase.length === 0) return undefined;
		this.pitches.push(held.pitch);
		return { pitch: held.pitch, error: held.pitchError };
	}

	private get knownB(): KnownB {
		return { value: this.inharmonicity, doubt: this.doubt };
	}

	/** How far the last pitches wander, in cents from lowest to highest; 0 with fewer than three. */
	wander(): number {
		const last = this.pitches.slice(-4);
		return last.length < 3 ? 0 : 1200 * Math.log2(Math.max(...last) / Math.min(...last));
	}

	/**
	 * The figure of the blow: pitch from the frames within `half` seconds of the moment, B from all of them.
	 * A note that died before its moment is read from its last frames.
	 * @returns undefined when no partial has been measured by phase
	 */
	reading(moment: number, half: number, levelOf: (magnitude: number) => number): StringReading | undefined {
		const at = Math.min(moment, this.frames[this.frames.length - 1].since);
		const partials = plausiblePartials(this.mean(at - half, at + half), this.usualB);
		const fit = fitHoldingB(partials, this.knownB);
		if (!fit) return undefined;
		const told = this.doubt < UNREAD_DOUBT;
		return {
			note: this.note,
			struckAt: this.struckAt,
			moment: at,
			pitch: fit.pitch,
			pitchError: fit.pitchError,
			fundamental: fit.fundamental,
			inharmonicity: told ? this.inharmonicity : undefined,
			inharmonicityError: told ? this.doubt * this.inharmonicity : undefined,
			partials: partials.map(({ partial, frequency, error, magnitude }): MeasuredPartial => ({
				partial,
				frequency: hz(frequency),
				error,
				level: levelOf(magnitude)
			}))
		};
	}

	/** Mean frequency of each partial over frames: steps of phase add up, so this is the slope from end to end. */
	private mean(from: number, to: number): (PartialFrequency & { magnitude: number })[] {
		const sums = new Map<number, { weight: number; sum: number; count: number; magnitude: number }>();
		for (const { since, partials } of this.frames) {
			if (since < from || since > to) continue;
			for (const { partial, frequency, error, byPhase, magnitude } of partials) {
				if (!byPhase) continue;
				const entry = sums.get(partial) ?? { weight: 0, sum: 0, count: 0, magnitude: 0 };
				const weight = 1 / (error * error);
				entry.weight += weight;
				entry.sum += weight * frequency;
				entry.count++;
				entry.magnitude = Math.max(entry.magnitude, magnitude);
				sums.set(partial, entry);
			}
		}
		const most = Math.max(0, ...[...sums.values()].map(({ count }) => count));
		return [...sums]
			.filter(([, { count }]) => 2 * count >= most)
			.map(([partial, { weight, sum, magnitude }]) => ({
				partial,
				frequency: sum / weight,
				error: 1 / Math.sqrt(weight),
				magnitude
			}))
			.sort((a, b) => a.partial - b.partial);
	}
}
