import { equalHz } from '../units/pitch';
import { noteClass } from '../units/note';
import { hz, type Hz } from '../units/quantity';

/** What a member can move: nothing, its pitch as a whole, its frets but not its A, or everything. */
export const MOVES = ['nothing', 'pitch', 'frets', 'everything'] as const;
export type Moves = (typeof MOVES)[number];

/** A member of an ensemble as it is tuned now. */
export interface Member {
	readonly id: string;
	readonly name: string;
	readonly a4: Hz;
	/** Cents from equal temperament at its A4 by note class, C first. */
	readonly offsets: readonly number[];
	readonly moves: Moves;
	/** Notes that it has. */
	readonly lowest: number;
	readonly highest: number;
}

/** Cents of each note class from equal temperament at A4 = 440, C first. */
export const levelsOf = ({ a4, offsets }: Pick<Member, 'a4' | 'offsets'>): readonly number[] => {
	const level = 1200 * Math.log2(a4 / 440);
	return offsets.map((offset) => level + offset);
};

/** Intervals between two players that hurt first, by semitones from the one's note up to the other's, with their coincidence. */
export const SHARED_INTERVALS = [
	{ semitones: 0, name: 'unison', partials: [1, 1], just: 0 },
	{ semitones: 3, name: 'minor third', partials: [6, 5], just: 315.641 },
	{ semitones: 4, name: 'major third', partials: [5, 4], just: 386.314 },
	{ semitones: 7, name: 'fifth', partials: [3, 2], just: 701.955 }
] as const;
export type SharedInterval = (typeof SHARED_INTERVALS)[number];

/** Two notes of two members. */
export interface Clash {
	/** Indices of the members: the first plays the lower note. */
	readonly lower: number;
	readonly upper: number;
	readonly interval: SharedInterval;
	/** Lower note class. */
	readonly note: number;
	/** Cents wide of just; of a unison, how much higher the second is. */
	readonly off: number;
	/** Beats a second in an octave that both have, nearest the middle; undefined: they share none. */
	readonly beats: number | undefined;
	/** The lower note there. */
	readonly at: number | undefined;
}

const MIDDLE = 60;

/** The lower note, of its class, that both can play and that lies nearest the middle. */
function meetingAt(a: Member, b: Member, note: number, semitones: number): number | undefined {
	let best: number | undefined;
	for (let at = note; at <= 127; at += 12)
		if (at >= a.lowest && at <= a.highest && at + semitones >= b.lowest && at + semitones <= b.highest)
			if (best === undefined || Math.abs(at - MIDDLE) < Math.abs(best - MIDDLE)) best = at;
	return best;
}

function clash(
	members: readonly Member[],
	lower: number,
	upper: number,
	interval: SharedInterval,
	note: number
): Clash {
	const [a, b] = [members[lower], members[upper]];
	const { semitones, partials, just } = interval;
	const off = 100 * semitones + levelsOf(b)[noteClass(note + semitones)] - levelsOf(a)[note] - just;
	const at = meetingAt(a, b, note, semitones);
	const pitch = (member: Member, of: number) => equalHz(of, hz(440)) * 2 ** (levelsOf(member)[noteClass(of)] / 1200);
	const beats =
		at === undefined ? undefined : Math.abs(partials[1] * pitch(b, at + semitones) - partials[0] * pitch(a, at));
	return { lower, upper, interval, note, off, beats, at };
}

/** Every unison, third and fifth between every two members, note class by note class. */
export function clashes(members: readonly Member[]): readonly Clash[] {
	return members.flatMap((_, i) =>
		members.flatMap((_, j) =>
			i === j
				? []
				: SHARED_INTERVALS.flatMap((interval) =>
						// A unison is the same either way.
						interval.semitones === 0 && j < i
							? []
							: Array.from({ length: 12 }, (_, note) => clash(members, i, j, interval, note))
					)
		)
	);
}

/** How far two members stand apart: note against note, in cents, and the worst of them. */
export interface PairApart {
	readonly lower: number;
	readonly upper: number;
	readonly worst: Clash;
}
export function unisonsApart(members: readonly Member[]): readonly PairApart[] {
	const [unison] = SHARED_INTERVALS;
	return members.flatMap((_, lower) =>
		members.slice(lower + 1).map((_, k) => {
			const upper = lower + 1 + k;
			const all = Array.from({ length: 12 }, (_, note) => clash(members, lower, upper, unison, note));
			return {
				lower,
				upper,
				worst: all.reduce((worst, each) => (Math.abs(each.off) > Math.abs(worst.off) ? each : worst))
			};
		})
	);
}
