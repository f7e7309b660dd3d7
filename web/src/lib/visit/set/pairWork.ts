import {
	afterPairStrike,
	PAIR_BEGUN,
	pairBeat,
	type Family,
	type PairState,
	type PairStrike,
	type SounderChoice,
	type SounderId
} from '@fendrel/core';

/** The pair method on one group: two of its strings, which of them is moved, and how far it has come. */
export interface PairWork {
	readonly group: number;
	/** Both strings left sounding. */
	readonly choice: SounderChoice;
	/** The one that leads, and the one that is moved by the beat. */
	readonly leads: SounderId;
	readonly moved: SounderId;
	readonly state: PairState;
	/** Cents between them at the last strike; undefined before one. */
	readonly apart: number | undefined;
}

/** @returns undefined where a group has no two strings */
export function beginPair<Body>(family: Family<Body>, body: Body, group: number): PairWork | undefined {
	const [leads, moved] = family.sounders(body, group);
	if (!moved) return undefined;
	const choice = { id: 'pair', label: 'Pair', key: '4', sounders: [leads, moved] };
	return { group, choice, leads, moved, state: PAIR_BEGUN, apart: undefined };
}

/** What a strike of both makes of it. */
export function pairHeard(work: PairWork, strike: PairStrike): PairWork {
	return { ...work, state: afterPairStrike(work.state, strike), apart: strike.apart };
}

/** The string that the lever sits on now. */
export function leverString({ state, leads, moved }: PairWork): SounderId {
	return state.phase === 'match' ? leads : moved;
}

/** Beats per second that are asked for, where the pair is listened to; undefined where none are. */
export function askedBeat({ state }: PairWork, frequency: number): number | undefined {
	return state.phase === 'move' ? pairBeat(state.by, frequency) : undefined;
}
