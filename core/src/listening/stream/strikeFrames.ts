import { mean, sum } from 'd3-array';
import { weightedLine } from '../../numeric/weighted';
import { flexiblePitchOf } from '../../strings/stiffString';
import { cents, hz, type Cents, type Hz } from '../../units/quantity';
import { PartialSums } from './partialSums';
import type { FramePartial } from './partials';
import type { MeasuredPartial, StringReading } from '../reading';
import { originOf, type Origin } from './origin';
import { fitHoldingB, fitString, plausiblePartials, type KnownB, type PartialFrequency } from './stringFit';

/** How far a typical inharmonicity may be from a string's own. */
const UNREAD_DOUBT = 0.5;

const WANDER_FRAMES = 4;

/** One frame of a strike: where its middle lies after the strike, and its partials. */
interface Frame {
	readonly since: number;
	readonly partials: readonly FramePartial[];
	/** What its frequencies are multiplied by to stand where the pitch was at the fixed moment. */
	bend: number;
}

/**
 * Seconds of the pitch's fall at the fixed moment by which another strike of the same string differs: harder or softer, it
 * falls otherwise. With this the differences between strikes of recorded and synthesised pianos lie within their errors
 * as often as these claim.
 */
const FALL_DIFFERS_SECONDS = 0.06;
/** Clipped partials are mixtures of others: what they say of the pitch, in cents, and of B, as a share of it. */
const CLIPPED = { cents: 1.2, b: 0.15 } as const;
/** The fall is seen over so many seconds before the moment, and over three frames at least. */
const FALL_SECONDS = 0.2;

/** B and the fall of the pitch after the strike are told apart in so many rounds. */
const LEVEL_ROUNDS = 2;

/** Collects the frames of one strike and turns them into figures. */
export class StrikeFrames {
	readonly frames: Frame[] = [];
	flexiblePitch: number;
	inharmonicity: number;
	/** Relative uncertainty of `inharmonicity`: large until the strike's own frames have told it. */
	private doubt = UNREAD_DOUBT;
	private readonly pitches: number[] = [];

	constructor(
		readonly note: number,
		readonly struckAt: number,
		firstPartial: number,
		inharmonicity: number,
		/** B that strings of this note usually have. */
		private readonly usualB: number
	) {
		this.inharmonicity = inharmonicity;
		this.flexiblePitch = flexiblePitchOf(firstPartial, inharmonicity);
	}

	/** Takes a frame towards the reading; tells the pitch now, or undefined while nothing has been measured by phase. */
	add(since: number, partials: readonly FramePartial[]): { pitch: Hz; error: Cents } | undefined {
		this.frames.push({ since, partials, bend: 1 });
		const byPhase = partials.filter((partial) => partial.byPhase);
		if (byPhase.length > 2) this.learnB();
		return this.follow(partials);
	}

	/** Tells the pitch of a frame, and keeps nothing of it. */
	follow(partials: readonly FramePartial[]): { pitch: Hz; error: Cents } | undefined {
		const byPhase = partials.filter((partial) => partial.byPhase);
		const held = fitHoldingB(byPhase.length ? byPhase : partials, this.knownB);
		if (!held) return undefined;
		this.flexiblePitch = held.flexiblePitch;
		if (byPhase.length === 0) return undefined;
		this.pitches.push(held.pitch);
		if (this.pitches.length > WANDER_FRAMES) this.pitches.shift();
		return { pitch: held.pitch, error: held.pitchError };
	}

	/** B does not change within a strike: the mean over its frames settles faster than any one of them. */
	private learnB(): void {
		const whole = fitString(plausiblePartials(this.mean(-Infinity, Infinity), this.usualB), this.knownB);
		if (whole?.inharmonicity === undefined || whole.inharmonicityError === undefined) return;
		this.inharmonicity = whole.inharmonicity;
		this.doubt = whole.inharmonicityError / whole.inharmonicity;
	}

	/**
	 * Brings all frames to the pitch of the fixed moment. High partials die first, so that without this they would say
	 * what the string was just after the strike, low ones what it became, and B would take up the difference.
	 */
	private level(at: number, half: number): void {
		const pitches = this.pitchesAbout(at);
		const near = pitches.filter(({ x }) => Math.abs(x) <= half);
		if (near.length === 0) return;
		const reference = lineAtZero(near);
		for (const frame of this.frames) frame.bend = 1;
		for (const { frame, y } of pitches) frame.bend = 2 ** ((reference - y) / 1200);
	}

	/** Pitch of each frame in cents, by seconds from a moment. */
	private pitchesAbout(at: number): (Point & { readonly frame: Frame })[] {
		return this.frames.flatMap((frame) => {
			const byPhase = frame.partials.filter((partial) => partial.byPhase);
			const held = fitHoldingB(byPhase, this.knownB);
			return held ? [{ x: frame.since - at, y: 1200 * Math.log2(held.pitch), frame }] : [];
		});
	}

	/** By how many cents a second the pitch falls, or rises, at a moment, beyond what its scatter makes of it. */
	private fallAt(at: number): number {
		const pitches = this.pitchesAbout(at);
		const near = pitches.filter(({ x }) => x >= -FALL_SECONDS);
		const points = near.length >= 3 ? near : pitches.slice(-3);
		const line = lineThrough(points);
		if (!line || points.length < 3) return 0;
		const { meanX, meanY, slope, spread } = line;
		const left = sum(points, ({ x, y }) => (y - meanY - slope * (x - meanX)) ** 2);
		return Math.sqrt(Math.max(0, slope ** 2 - left / (points.length - 2) / spread));
	}

	private get knownB(): KnownB {
		return { value: this.inharmonicity, doubt: this.doubt };
	}

	/** How far the last pitches wander, in cents from lowest to highest; 0 with fewer than three. */
	wander(): number {
		return this.pitches.length < 3 ? 0 : 1200 * Math.log2(Math.max(...this.pitches) / Math.min(...this.pitches));
	}

	/**
	 * The figure of the strike: pitch from the frames within `half` seconds of the moment, B from all of them.
	 * A note that died before its moment is read from its last frames, an early moment from the first.
	 * @returns undefined when no partial has been measured by phase
	 */
	reading(
		moment: number,
		half: number,
		levelOf: (magnitude: number) => number,
		clipped = false
	): StringReading | undefined {
		const at = Math.min(Math.max(moment, this.frames[0].since), this.frames[this.frames.length - 1].since);
		for (let round = 0; round < LEVEL_ROUNDS; round++) {
			this.level(at, half);
			if (this.doubt < UNREAD_DOUBT) this.learnB();
		}
		const partials = plausiblePartials(this.mean(at - half, at + half), this.usualB);
		const fit = fitHoldingB(partials, this.knownB);
		if (!fit) return undefined;
		const told = this.doubt < UNREAD_DOUBT;
		return {
			note: this.note,
			struckAt: this.struckAt,
			moment: at,
			pitch: fit.pitch,
			pitchError: cents(
				Math.hypot(fit.pitchError, FALL_DIFFERS_SECONDS * this.fallAt(at), clipped ? CLIPPED.cents : 0)
			),
			flexiblePitch: fit.flexiblePitch,
			inharmonicity: told ? this.inharmonicity : undefined,
			inharmonicityError: told ? Math.hypot(this.doubt, clipped ? CLIPPED.b : 0) * this.inharmonicity : undefined,
			partials: partials.map(({ partial, frequency, error, magnitude }): MeasuredPartial => ({
				partial,
				frequency: hz(frequency),
				error,
				level: levelOf(magnitude),
				decay: this.decayOf(partial)
			}))
		};
	}

	/** What has sounded so far. */
	origin(): Origin {
		const levels = this.frames.map(({ since, partials }) => ({
			since,
			db: 10 * Math.log10(sum(partials, ({ magnitude }) => magnitude ** 2))
		}));
		return originOf(this.note, this.usualB, this.mean(-Infinity, Infinity), levels);
	}

	/** From the slope of its level over the frames (least squares). */
	private decayOf(partial: number): number | undefined {
		const points = this.frames.flatMap(({ since, partials }) => {
			const found = partials.find((each) => each.partial === partial);
			return found ? [{ x: since, y: Math.log(found.magnitude) }] : [];
		});
		const line = points.length > 1 ? lineThrough(points) : undefined;
		return line && line.slope < 0 ? -1 / line.slope : undefined;
	}

	/** Mean frequency of each partial over frames: steps of phase add up, so this is the slope from end to end. */
	private mean(from: number, to: number): (PartialFrequency & { magnitude: number })[] {
		const sums = new Map<number, PartialSums>();
		for (const { since, partials, bend } of this.frames) {
			for (const { partial, frequency, error, byPhase, magnitude } of partials) {
				if (!byPhase) continue;
				let entry = sums.get(partial);
				if (!entry) sums.set(partial, (entry = new PartialSums()));
				entry.add(bend * frequency, error, magnitude, since >= from && since <= to);
			}
		}
		const most = Math.max(0, ...[...sums.values()].map(({ count }) => count));
		return [...sums]
			.filter(([, { count }]) => count > 0 && 2 * count >= most)
			.map(([partial, entry]) => ({
				partial,
				frequency: entry.frequency,
				error: entry.error,
				magnitude: entry.magnitude
			}))
			.sort((a, b) => a.partial - b.partial);
	}
}

interface Point {
	readonly x: number;
	readonly y: number;
}

const lineThrough = (points: readonly Point[]) =>
	weightedLine(
		points.map(({ x }) => x),
		points.map(({ y }) => y)
	);

/** Height at zero of the line through points (least squares); of a single one, or of points at one place, their mean. */
function lineAtZero(points: readonly Point[]): number {
	const line = lineThrough(points);
	return line ? line.meanY - line.slope * line.meanX : (mean(points, ({ y }) => y) ?? 0);
}
