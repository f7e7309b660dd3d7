import {
	across,
	fretPlaceOf,
	isBowed,
	noteName,
	soundedName,
	type FretAdvice,
	type FretEnds,
	type FretWish,
	type Neck
} from '@fendrel/core';
import { mean, median } from 'd3-array';
import { counted, fixed, flatOrSharp, listed, signed } from '$lib/ui/format';
import type { ShownFret } from '$lib/charts/fretMap';
import { BROKEN_WORDS } from './brokenString';
import type { FretVisit, StringState } from '../fretVisit.svelte';
import { lengthWords } from '$lib/ui/measures';

const size = (move: number) => lengthWords(Math.abs(move));
const way = (move: number) => (move > 0 ? 'to the bridge' : 'to the nut');
const STANDS = 0.05;

/** What to do with a fret: "Lowest end 1.9 mm to the bridge, highest end 0.4 mm to the nut." */
export function moveWords({ low, high }: FretEnds): string {
	const [lowStays, highStays] = [Math.abs(low) < STANDS, Math.abs(high) < STANDS];
	if (lowStays && highStays) return 'Leave it where it is.';
	if (Math.abs(low - high) < STANDS) return `Both ends ${size(low)} ${way(low)}.`;
	if (highStays) return `Lowest end ${size(low)} ${way(low)}; the highest stays.`;
	if (lowStays) return `Highest end ${size(high)} ${way(high)}; the lowest stays.`;
	return `Lowest end ${size(low)} ${way(low)}, highest end ${size(high)} ${way(high)}.`;
}

export const isMoved = ({ low, high }: FretEnds) => Math.abs(low) >= STANDS || Math.abs(high) >= STANDS;

/** Frets as their picture shows them. */
export function shownFrets({ map, standing }: Pick<FretVisit, 'map' | 'standing'>): readonly ShownFret[] {
	return standing.frets.map(({ fret, low, high }) => {
		const advice = map.find((each) => each.fret === fret);
		const move = advice?.line.move ?? { low: 0, high: 0 };
		return {
			...{ fret, now: { low, high }, then: { low: low + move.low, high: high + move.high } },
			wishes: (advice?.wishes ?? []).map(({ string, across, place, move: by, isRead }) => ({
				...{ string, across, isRead, place: place + by }
			})),
			said: `Fret ${fret}: ${moveWords(move)}`
		};
	});
}

/** What was found, in a sentence. */
export function foundHeadline({ open, map, isSurveyed }: Pick<FretVisit, 'open' | 'map' | 'isSurveyed'>): string {
	const read = open.flatMap(({ off, isSecond }) => (off === undefined || isSecond ? [] : [off]));
	if (read.length === 0) return 'Nothing has been read yet.';
	const strings = `${counted(read.length, 'string')} read; they lie about ${flatOrSharp(median(read)!)}.`;
	if (!isSurveyed) return strings;
	const wrong = map.filter(({ line }) => isMoved(line.move)).map(({ fret }) => String(fret));
	return wrong.length
		? `${strings} ${wrong.length === 1 ? 'Fret' : 'Frets'} ${listed(wrong)} to move.`
		: `${strings} The frets lie well.`;
}

/** Strings by the notes that they give at a fret: "F3 on E3 and A♯2 on A2". */
export const givenAt = (neck: Neck, fret: number, strings: readonly number[]): string =>
	listed(strings.map((string) => soundedName(neck, 100 * fret + string)));

/** What a string is left with: "+0.6", "−1.4: out". */
export const leftWords = ({ left }: Pick<FretWish, 'left'>, within: number): string =>
	Math.abs(left) > within ? `${signed(left)}, out` : signed(left);

/** Why one fret cannot be both. */
export function conflictWords(
	neck: Neck,
	{ fret, conflict }: Pick<FretAdvice, 'fret' | 'conflict'>
): string | undefined {
	if (!conflict) return undefined;
	const { nearer, further, apart } = conflict;
	return `Fret ${fret}: ${givenAt(neck, fret, nearer)} would have it nearer the nut than ${givenAt(neck, fret, further)}, by ${fixed(apart, 0)} cents. One straight fret cannot be both.`;
}

/** A half fret, where one helps. */
export function halfWords(neck: Neck, { half, line }: Pick<FretAdvice, 'half' | 'line'>): string | undefined {
	if (!half) return undefined;
	// Beneath its own strings, from where the other one runs there.
	const at = mean(half.strings, (string) => across(neck, string))!;
	const lies = ({ low, high }: FretEnds) => low + (high - low) * at;
	const apart = lies(half.own.move) - lies(half.rest.move);
	const worst = Math.max(...line.left.map(Math.abs));
	return `A second fret beneath ${listed(half.strings.map((string) => noteName(neck.strings[string - 1].note)))} only, ${size(apart)} nearer the ${apart > 0 ? 'bridge' : 'nut'}, would leave ${fixed(half.worst, 1)} cents at most instead of ${fixed(worst, 1)}.`;
}

/** How a string is to be sounded, and what is not read of it: bows and plucks differ. */
export const soundingWords = (neck: Pick<Neck, 'family'>) =>
	isBowed(neck)
		? ({ sound: 'A long even bow, as loud as you play', again: 'bow as before', keys: 'bow evenly, unevenly' } as const)
		: ({
				sound: 'Pluck it as you play, and let it ring',
				again: 'pluck as before',
				keys: 'pluck softly, hard'
			} as const);

/** What to do with an open string. */
export function stringWords(
	{ off, isSet, isBroken }: StringState,
	tolerance: number,
	neck: Pick<Neck, 'family'>
): string {
	if (isBroken) return BROKEN_WORDS;
	if (off === undefined) return `${soundingWords(neck).sound}.`;
	if (Math.abs(off) <= tolerance) return isSet ? 'Set.' : 'It stands. Sound it once more to take it.';
	const much = fixed(Math.abs(off), 1);
	return off < 0 ? `Raise ${much} cents.` : `Lower ${much} cents.`;
}

/** "D4", "F4 on D4": short, as columns say it. */
export const shortName = (group: number): string => {
	const { string, fret, isSecond } = fretPlaceOf(group);
	return fret === 0 ? `${string}${isSecond ? '′' : ''}` : `${fret}`;
};
