import {
	noteName,
	setupOf,
	type ChordPair,
	type ChordPrice,
	type Neck,
	type PluckedString,
	type Sounding
} from '@fendrel/core';
import { median } from 'd3-array';
import { counted, fixed, flatOrSharp, listed } from '$lib/ui/format';
import { touchWords } from '../fretPlan';
import type { GuitarVisit } from '../guitarVisit.svelte';
import { lengthFigure, lengthUnit } from '$lib/ui/measures';

/** How to sound a string: "Stopped at the twelfth fret, softly." */
export function soundWords({ fret, capo, touch, isHarmonic }: Sounding): string {
	if (capo > 0) return `Open over the capo at fret ${capo}, softly.`;
	if (isHarmonic) return 'Its harmonic at the twelfth fret: touch it there, do not press.';
	if (fret === 0) return touch > 0.5 ? 'Open, as hard as it is ever played.' : 'Open, softly.';
	return `Stopped at ${fret === 12 ? 'the twelfth' : 'the first'} fret, softly.`;
}
/** The same, as the name of a column. */
export function soundName({ fret, capo, touch, isHarmonic }: Sounding): string {
	if (capo > 0) return `capo at ${capo}`;
	if (isHarmonic) return 'harmonic';
	if (fret > 0) return `fret ${fret}`;
	return touch > 0.5 ? 'open, hard' : 'open, soft';
}

/** How the strings are sounded while they are tuned. */
export const playedWords = ({ touch, capo }: Pick<Sounding, 'touch' | 'capo'>): string =>
	`${capo ? `capo at ${capo}` : 'without a capo'}, ${touchWords(touch)}`;

/** "E2 against B3" */
export const pairWords = ({ strings }: Pick<Neck, 'strings'>, { lower, upper }: ChordPair): string =>
	`${noteName(strings[lower - 1].note)} string against ${noteName(strings[upper - 1].note)}`;

/** The chord that beats most. */
export const roughest = (prices: readonly ChordPrice[]): ChordPrice | undefined =>
	prices.reduce<ChordPrice | undefined>(
		(worst, each) => (worst && worst.beats >= each.beats ? worst : each),
		undefined
	);

/** What was found, in a sentence. */
export function guitarHeadline(open: Pick<GuitarVisit, 'strings'>): string {
	const read = open.strings.flatMap(({ off, isSecond }) => (off === undefined || isSecond ? [] : [off]));
	if (read.length === 0) return 'Nothing has been read yet.';
	return `${counted(read.length, 'string')} read; they lie about ${flatOrSharp(median(read)!)} of their offsets.`;
}

/** What the offsets that are used do for the chords. */
export function offsetsHeadline(open: GuitarVisit): string {
	if (open.chords.length === 0) return 'No chord is in the book: offsets stay at zero.';
	const then = roughest(open.pricesOf(open.used))!;
	const after = `the roughest chord, ${then.name}, beats ${fixed(then.beats, 1)} times a second`;
	if (!open.now) return `With these offsets ${after}.`;
	const before = open.pricesOf(open.now).find(({ name }) => name === then.name)!;
	return `With these offsets ${after}; as it stands, ${fixed(before.beats, 1)}.`;
}

/** Millimetres that are worth a luthier's while. */
const WORTH = 0.3;
/** Errors of what is told, in cents: beyond it nobody is sent to a luthier. */
const SURE = 1.5;

/** What a luthier might do; nothing where it is not worth it or not known: "Saddle back from the nut: E4 1.4 and G3 2.5 mm." */
export function luthierLines(neck: Neck, strings: readonly PluckedString[]): readonly string[] {
	const setups = strings.flatMap((string, i) =>
		string.stopped.error > SURE || string.nut.error > SURE
			? []
			: [{ name: noteName(neck.strings[i].note), ...setupOf(neck, string) }]
	);
	const line = (what: string, moves: readonly { readonly name: string; readonly by: number }[]) => {
		const worth = moves.filter(({ by }) => by >= WORTH);
		return worth.length
			? [`${what}: ${listed(worth.map(({ name, by }) => `${name} ${lengthFigure(by)}`))} ${lengthUnit()}.`]
			: [];
	};
	const saddles = setups.map(({ name, saddle }) => ({ name, by: saddle }));
	const nuts = setups.map(({ name, nut }) => ({ name, by: nut }));
	const back = (moves: typeof nuts) => moves.map(({ name, by }) => ({ name, by: -by }));
	return [
		...line('Saddle back from the nut', saddles),
		...line('Saddle towards the nut', back(saddles)),
		...line('Nut towards the saddle', nuts),
		...line('Nut back from the saddle', back(nuts))
	];
}
