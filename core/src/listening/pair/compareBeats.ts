import { normalTail } from '../../numeric/normalTail';
import type { HeardBeat } from './hearPair';

/** Two beats beside each other: whether one is faster, and how sure that is. */
export interface BeatComparison {
	/** How much faster the second beats than the first, per second, and the standard error of that. */
	readonly faster: number;
	readonly error: number;
	/** 0 to 1: that the second is the faster one. */
	readonly chance: number;
	/** Undefined: they cannot be told apart. */
	readonly says: 'first is faster' | 'second is faster' | 'alike' | undefined;
}

/** Said from that chance on. */
const SURE = 0.95;
/** Alike where they surely differ by less, per second. */
const ALIKE = 0.25;

/** @returns undefined where one of the two was not to be said */
export function compareBeats(first: HeardBeat, second: HeardBeat): BeatComparison | undefined {
	if (first.certainty === 'not to be said' || second.certainty === 'not to be said') return undefined;
	const faster = Math.abs(second.rate) - Math.abs(first.rate);
	const error = Math.hypot(first.error, second.error);
	const chance = normalTail(-faster / error);
	const within = normalTail((-ALIKE - faster) / error) - normalTail((ALIKE - faster) / error);
	const says =
		chance >= SURE ? 'second is faster' : chance <= 1 - SURE ? 'first is faster' : within >= SURE ? 'alike' : undefined;
	return { faster, error, chance, says };
}
