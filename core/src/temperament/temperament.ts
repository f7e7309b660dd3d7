import { noteClass } from '../units/note';
import { cents, type Cents } from '../units/quantity';
import {
	isSameTempering,
	PURE_FIFTH,
	subtractTemperings,
	sumOfTemperings,
	temperingCents,
	temperingText,
	WHOLE_CIRCLE,
	type Tempering
} from './comma';
import { fraction, fractionValue, type Fraction } from './fraction';

/** The circle of fifths from C upwards, as note classes: C G D A E B F♯ C♯ G♯ E♭ B♭ F. */
export const CIRCLE_FROM_C = Array.from({ length: 12 }, (_, step) => (7 * step) % 12) as readonly number[];

/** Kinds of temperament by how they share out the comma. */
export const TEMPERAMENT_FAMILIES = [
	'equal',
	'mild well',
	'well',
	'modified meantone',
	'meantone',
	'Pythagorean',
	'just'
] as const;
export type TemperamentFamily = (typeof TEMPERAMENT_FAMILIES)[number];

/** What people choose a temperament for. */
export const USES = ['concert piano', 'home piano', 'harpsichord', 'organ', 'viols and lutes', 'voices'] as const;
export type Use = (typeof USES)[number];

/**
 * How a temperament is laid down, note class C first:
 * twelve fifths from C-G round to F-C (`wolf` marks the one that takes whatever the others leave of the comma),
 * or offsets from equal temperament in cents, or ratios above C within its octave.
 */
export type Tuning =
	| { readonly by: 'fifths'; readonly fifths: readonly (Tempering | 'wolf')[] }
	| { readonly by: 'cents'; readonly offsets: readonly number[] }
	| { readonly by: 'ratios'; readonly ratios: readonly Fraction[] };

export interface Temperament {
	readonly id: string;
	readonly name: string;
	readonly family: TemperamentFamily;
	readonly uses: readonly Use[];
	readonly period: string;
	readonly character: string;
	readonly goodFor: string;
	readonly source: string;
	readonly tuning: Tuning;
}

/** The twelve fifths with the wolf worked out, exact. @throws RangeError when they do not close the circle. */
export function closedFifths(fifths: readonly (Tempering | 'wolf')[]): readonly Tempering[] {
	if (fifths.length !== 12) throw new RangeError(`closedFifths: ${fifths.length} fifths given, 12 needed`);
	const wolves = fifths.filter((fifth) => fifth === 'wolf').length;
	if (wolves > 1) throw new RangeError(`closedFifths: ${wolves} wolf fifths given, at most 1 can be worked out`);
	const given = sumOfTemperings(fifths.filter((fifth) => fifth !== 'wolf'));
	const left = subtractTemperings(WHOLE_CIRCLE, given);
	if (wolves === 0 && !isSameTempering(given, WHOLE_CIRCLE))
		throw new RangeError(`closedFifths: the fifths leave ${temperingCents(left).toFixed(2)} cents of the comma over`);
	return fifths.map((fifth) => (fifth === 'wolf' ? left : fifth));
}

/** Cents above C by note class, C at 0, octaves pure. */
function centsAboveC(tuning: Tuning): readonly number[] {
	if (tuning.by === 'cents') {
		twelve('offsets', tuning.offsets);
		return tuning.offsets.map((offset, from) => 100 * from + offset - tuning.offsets[0]);
	}
	if (tuning.by === 'ratios') {
		twelve('ratios', tuning.ratios);
		return tuning.ratios.map((ratio) => 1200 * Math.log2(fractionValue(ratio) / fractionValue(tuning.ratios[0])));
	}
	const above = new Array<number>(12).fill(0);
	let sum = 0;
	closedFifths(tuning.fifths).forEach((fifth, step) => {
		above[CIRCLE_FROM_C[step]] = 100 * CIRCLE_FROM_C[step] + sum;
		sum += PURE_FIFTH - temperingCents(fifth) - 700;
	});
	return above;
}

function twelve(what: string, values: readonly unknown[]): void {
	if (values.length !== 12) throw new RangeError(`centsAboveC: ${values.length} ${what} given, 12 needed`);
}

/** Offsets from equal temperament by note class, C first, with `zero` (A by default) at 0. */
export function offsetsFromEqual({ tuning }: Pick<Temperament, 'tuning'>, zero = 9): readonly Cents[] {
	const above = centsAboveC(tuning);
	const anchor = above[noteClass(zero)] - 100 * noteClass(zero);
	return above.map((value, from) => cents(value - 100 * from - anchor));
}

/** Size in cents of the interval of `semitones` above each note class, C first. */
export function intervalSizes(temperament: Pick<Temperament, 'tuning'>, semitones: number): readonly Cents[] {
	const offsets = offsetsFromEqual(temperament);
	return offsets.map((offset, from) => cents(100 * semitones + offsets[noteClass(from + semitones)] - offset));
}

/** Sizes of the twelve fifths in cents, in the order of the circle from C-G. */
export function fifthSizes(temperament: Pick<Temperament, 'tuning'>): readonly Cents[] {
	const sizes = intervalSizes(temperament, 7);
	return CIRCLE_FROM_C.map((from) => sizes[from]);
}

/** What each fifth of the circle from C-G is tempered by, in words: exact where it is laid down so, else in cents. */
export function fifthTexts(temperament: Pick<Temperament, 'tuning'>): readonly string[] {
	if (temperament.tuning.by === 'fifths') return closedFifths(temperament.tuning.fifths).map(temperingText);
	return fifthSizes(temperament).map((size) => {
		const narrow = PURE_FIFTH - size;
		return Math.abs(narrow) < 0.005 ? 'pure' : `${narrow.toFixed(2)} c`;
	});
}

/** A fifth this far from pure howls: wider than any that a chord can bear. */
export const WOLF_LIMIT = 12;

/** The circle's steps (0 = C-G) whose fifths are wolves. */
export function wolves(temperament: Pick<Temperament, 'tuning'>): readonly number[] {
	return fifthSizes(temperament).flatMap((size, step) => (Math.abs(size - PURE_FIFTH) > WOLF_LIMIT ? [step] : []));
}

/** The same temperament built on another root: what C was, `root` (0 for C up to 11) becomes. */
export function transposed<T extends Pick<Temperament, 'tuning'>>(temperament: T, root: number): T {
	const up = noteClass(root);
	if (up === 0) return temperament;
	const turn = <V>(values: readonly V[], by: number) => values.map((_, i) => values[(i - by + 12) % 12]);
	const { tuning } = temperament;
	if (tuning.by === 'fifths')
		// Seven fifths make a semitone, and seven times seven leaves one over.
		return { ...temperament, tuning: { by: 'fifths', fifths: turn(tuning.fifths, (7 * up) % 12) } };
	if (tuning.by === 'cents') return { ...temperament, tuning: { by: 'cents', offsets: turn(tuning.offsets, up) } };
	const turned = turn(tuning.ratios, up);
	return { ...temperament, tuning: { by: 'ratios', ratios: turned.map((ratio) => withinOctave(ratio, turned[0])) } };
}

/** `ratio` above `base`, brought into the octave from 1 to 2. */
function withinOctave(ratio: Fraction, base: Fraction): Fraction {
	let above = fraction(ratio.num * base.den, ratio.den * base.num);
	while (fractionValue(above) < 1) above = fraction(above.num * 2, above.den);
	while (fractionValue(above) >= 2) above = fraction(above.num, above.den * 2);
	return above;
}
