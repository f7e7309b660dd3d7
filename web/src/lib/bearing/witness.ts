import {
	noteName,
	type AskedKeys,
	type BearingCheck,
	type BearingStep,
	type Edge,
	type HeardBeat
} from '@fendrel/core';
import { besideAsked, heardWords, untoldWords } from '$lib/pairs/pairWords';
import { STILL_RATE } from '$lib/ui/beats';
import { fixed } from '$lib/ui/format';

/** A note is set when its interval lies within so many cents of its rate, or so many beats per second. */
const SET_WITHIN = { cents: 0.5, rate: 0.08 } as const;

/** What the app heard of one of a step's intervals. */
export interface Witness {
	/** Undefined: it cannot be said whether it is right. */
	readonly isRight: boolean | undefined;
	readonly words: string;
}

const keysOf = ({ lower, upper, kind }: Edge): AskedKeys => ({
	...{ lower, upper },
	meetings: [[kind.lowerPartial, kind.upperPartial]]
});

/** The intervals that belong to a step: those that it is set by, its checks, and what these are compared with. */
export function keysAsked({ by, checks }: BearingStep): readonly AskedKeys[] {
	const edges = [
		...by.map(({ edge }) => edge),
		...checks.flatMap(({ edge, compare }) => [edge, ...(compare ? [compare.edge] : [])])
	];
	return edges.map(keysOf);
}

/** "raise C♯4 1.2 cents". */
function move(note: number, by: number): string {
	return `${by > 0 ? 'raise' : 'lower'} ${noteName(note)} ${fixed(Math.abs(by), 1)} cents`;
}

/** The same in words for an interval: right, or which note to move, and how far. */
function witness(edge: Edge, beat: HeardBeat, within: number, note: number, centsByBeat: number): Witness {
	if (beat.certainty === 'not to be said') return { isRight: undefined, words: `not to be told: ${untoldWords(beat)}` };
	const heard = heardWords(beat);
	// A still interval may lie on either side of pure.
	const isSided = beat.sense !== undefined || Math.abs(edge.rate) < STILL_RATE || Math.abs(beat.rate) <= within;
	const off = isSided ? beat.rate - edge.rate : Math.abs(beat.rate) - Math.abs(edge.rate);
	if (Math.abs(off) <= Math.max(within, beat.error))
		return { isRight: isSided ? true : undefined, words: `${heard}: as asked` };
	if (!isSided) return { isRight: false, words: `${heard}: ${besideAsked(beat, edge.rate)}` };
	return { isRight: false, words: `${heard}: ${move(note, -off * centsByBeat)}` };
}

/** An interval that the step's note is set by: that note moves. */
export function setWitness({ note }: BearingStep, edge: Edge, beat: HeardBeat): Witness {
	const perCent = note === edge.upper ? edge.perCentUpper : -edge.perCentLower;
	return witness(edge, beat, Math.max(SET_WITHIN.rate, SET_WITHIN.cents * Math.abs(perCent)), note, 1 / perCent);
}

/** A check: the note that is likeliest out moves. */
export function checkWitness({ edge, tolerance, suspect, centsPerBeat }: BearingCheck, beat: HeardBeat): Witness {
	return witness(edge, beat, tolerance, suspect, centsPerBeat);
}
