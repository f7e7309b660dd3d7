import { INTERVALS, type FilingAdvice, type PairBeat, type StandingReed } from '@fendrel/core';
import { median } from 'd3-array';
import { counted, fixed, flatOrSharp } from '$lib/ui/format';
import type { ReedState } from '../reedVisit.svelte';

/** What was found, in a sentence. */
export function foundHeadline(reeds: readonly ReedState[]): string {
	const read = reeds.filter(({ off, role }) => off !== undefined && role !== 'auxiliary');
	if (read.length === 0) return 'Nothing has been read yet.';
	const middle = median(read, ({ off }) => off!)!;
	const furthest = read.reduce((most, each) => (Math.abs(each.off!) > Math.abs(most.off!) ? each : most));
	const all = `${counted(read.length, 'reed')} read; they lie about ${flatOrSharp(middle)}.`;
	return Math.abs(furthest.off!) < 1 ? all : `${all} Furthest out: ${furthest.name}, ${flatOrSharp(furthest.off!)}.`;
}

const DEGREE_WORDS: Readonly<Record<string, string>> = {
	...{ '1': 'the tonic', '♭2': 'the flat second', '2': 'the second', '♭3': 'the minor third', '3': 'the third' },
	...{ '4': 'the fourth', '♯4': 'the sharp fourth', '5': 'the fifth', '♭6': 'the flat sixth', '6': 'the sixth' },
	...{ '♭7': 'the flat seventh', '7': 'the seventh' }
};
/** A reed's degree in the key, as one says it; of an auxiliary reed the note that its bend is to end at. */
export const degreeWords = ({ degree, role }: Pick<ReedState, 'degree' | 'role'>) =>
	role === 'auxiliary' ? `for the bend to ${DEGREE_WORDS[degree]}` : DEGREE_WORDS[degree];

const NUMBERS = [
	'no',
	'one',
	'two',
	'three',
	'four',
	'five',
	'six',
	'seven',
	'eight',
	'nine',
	'ten',
	'eleven',
	'twelve'
];
/** Strokes as one says them: "four strokes". */
export const strokesWords = (strokes: number) => `${NUMBERS[strokes] ?? strokes} stroke${strokes === 1 ? '' : 's'}`;

const PARTS = [
	'',
	'a tenth',
	'a fifth',
	'a third',
	'two fifths',
	'half',
	'three fifths',
	'two thirds',
	'four fifths',
	'nine tenths',
	'all'
];
const shareWords = (share: number) => PARTS[Math.min(10, Math.max(1, Math.round(10 * share)))];

/** What to do with a reed, as a colleague would say it. */
export function adviceWords(advice: FilingAdvice): string {
	if (advice.is === 'leave') return 'Leave it.';
	const how = `${strokesWords(advice.strokes)}`;
	if (advice.isOver) return `Too far: now the ${advice.end}, ${how}.`;
	return `File the ${advice.end}: ${how}, ${shareWords(advice.share)} of the way.`;
}

/** Beats slower than that are still, a second. */
export const STILL_BEAT = 0.3;

/** A beat as one hears it: "1.2 wide", "still". */
export const beatWords = (rate: number, digits = 1) =>
	Math.abs(rate) < STILL_BEAT ? 'still' : `${fixed(Math.abs(rate), digits)} ${rate > 0 ? 'wide' : 'narrow'}`;

/** Of a chord's pairs, the one that beats most. */
export function roughestOf(beats: readonly PairBeat<StandingReed>[]): PairBeat<StandingReed> | undefined {
	return beats.reduce<PairBeat<StandingReed> | undefined>(
		(most, each) => (!most || Math.abs(each.rate) > Math.abs(most.rate) ? each : most),
		undefined
	);
}

/** Which coincidence of two reeds is listened to, by their distance in semitones. */
export const partialsOf = (semitones: number) => Object.values(INTERVALS).find((each) => each.semitones === semitones);
