import { cents, type Cents } from '../units/quantity';

/*
 * Two strings of a note as their own ruler: clean together they are judged, one of them is moved by what is needed, which
 * their beat shows, the other one is brought to it, and they are judged again. No eye is needed for how far.
 */

export type PairPhase =
	/** Both are to be brought together. */
	| 'clean'
	/** One is to be moved until the two beat as asked. */
	| 'move'
	/** Under half a cent no beat is imitated: one is moved a shade, and the pair is heard again. */
	| 'shade'
	/** The other is to be brought to the one that was moved. */
	| 'match'
	| 'done';

export interface PairState {
	readonly phase: PairPhase;
	/** Cents that the pair has still to move; above 0 upwards. */
	readonly by: Cents;
	/** Times that the pair was judged after a move: the first measurement is no try. */
	readonly tries: number;
	/** What the last move asked for, as a share of what it reached: the next one is scaled by it. */
	readonly scale: number;
	/** Where the pair stood when it was judged last, in cents from target; undefined before. */
	readonly stood: number | undefined;
}

export const PAIR_BEGUN: PairState = { phase: 'clean', by: cents(0), tries: 0, scale: 1, stood: undefined };

/** A strike of both strings. */
export interface PairStrike {
	/** Cents between them; 0 where one tone was heard. */
	readonly apart: number;
	/** Cents within which they are clean. */
	readonly limit: number;
	/** Where they stand together, in cents from target. */
	readonly off: number;
	/** How far off they may stand. */
	readonly within: number;
}

/** Less than that is moved by a shade, in cents. */
const SHADE = 0.5;
/** A move is reached within so much, in cents, or as a share of it. */
const REACHED = { cents: 0.25, share: 0.12 } as const;
/** A move that reached little, or far too much, scales the next one by no more. */
const SCALES = { least: 0.6, most: 1.6 } as const;
/** Further apart two strings are no ruler any more, and no unison that could be listened to: further than that one goes in several moves. */
const MOST = 4;
/** Moves below tell nothing of how well they are reached. */
const TELLS = 1;

/** What follows from a strike of both. */
export function afterPairStrike(state: PairState, { apart, limit, off, within }: PairStrike): PairState {
	const isClean = apart <= limit;
	if (state.phase === 'done') return state;
	if (state.phase === 'move') {
		return Math.abs(beyondMove(state, apart)) <= reachedWithin(state) ? { ...state, phase: 'match' } : state;
	}
	// A shade has been moved: whether clean or not, the other follows.
	if (state.phase === 'shade' && !isClean) return { ...state, phase: 'match' };
	return isClean ? afterPairJudged(state, off, within) : state;
}

const reachedWithin = ({ by }: PairState) => Math.max(REACHED.cents, REACHED.share * Math.abs(by));
/** Cents by which two strings lie further apart than the move asks for. */
const beyondMove = ({ by }: PairState, apart: number) => apart - Math.abs(by);

/** Whether a string that is moved has gone past where it was to go: it comes back. */
export function isPastMove(state: PairState, apart: number): boolean {
	return state.phase === 'move' && beyondMove(state, apart) > reachedWithin(state);
}

/** What follows once a clean pair has been found to stand so many cents off. */
export function afterPairJudged(state: PairState, off: number, within: number): PairState {
	const { stood, by } = state;
	const tries = stood === undefined ? 0 : state.tries + 1;
	if (Math.abs(off) <= within) return { ...state, phase: 'done', tries, stood: off, by: cents(0) };
	const scale = stood === undefined || Math.abs(by) < TELLS ? state.scale : scaled(state.scale, by, off - stood);
	const next = cents(Math.min(Math.max(-off * scale, -MOST), MOST));
	return { phase: Math.abs(next) < SHADE ? 'shade' : 'move', by: next, tries, scale, stood: off };
}

/** The next move by what the last one reached: twice as far asked where half was reached, within bounds. */
function scaled(before: number, asked: number, reached: number): number {
	if (reached * asked <= 0) return before;
	return Math.min(Math.max((before * asked) / reached, SCALES.least), SCALES.most);
}

/** How fast two strings beat that lie so many cents apart, where it is listened to. */
export function pairBeat(apart: number, frequency: number): number {
	return frequency * (2 ** (Math.abs(apart) / 1200) - 1);
}
