import { noteClass } from '../units/note';
import { cents, type Cents } from '../units/quantity';
import {
	addTemperings,
	isSameTempering,
	PURE,
	PURE_FIFTH,
	subtractTemperings,
	temperingCents,
	WHOLE_CIRCLE,
	type Tempering
} from './comma';

/** The circle of fifths from C upwards, as note classes: C G D A E B F♯ C♯ G♯ E♭ B♭ F. */
export const CIRCLE_FROM_C = Array.from({ length: 12 }, (_, step) => (7 * step) % 12) as readonly number[];

/**
 * A temperament as the tempering of its twelve fifths, from C-G round to F-C.
 * `wolf` marks the one fifth that takes whatever the others leave of the comma.
 */
export interface Temperament {
	readonly id: string;
	readonly name: string;
	readonly period: string;
	readonly character: string;
	readonly goodFor: string;
	readonly source: string;
	readonly fifths: readonly (Tempering | 'wolf')[];
}

/** The twelve fifths with the wolf worked out, exact. @throws RangeError when they do not close the circle. */
export function closedFifths(fifths: Temperament['fifths']): readonly Tempering[] {
	if (fifths.length !== 12) throw new RangeError(`closedFifths: ${fifths.length} fifths given, 12 needed`);
	const wolves = fifths.filter((fifth) => fifth === 'wolf').length;
	if (wolves > 1) throw new RangeError(`closedFifths: ${wolves} wolf fifths given, at most 1 can be worked out`);
	const given = fifths.reduce<Tempering>((sum, fifth) => (fifth === 'wolf' ? sum : addTemperings(sum, fifth)), PURE);
	const left = subtractTemperings(WHOLE_CIRCLE, given);
	if (wolves === 0 && !isSameTempering(given, WHOLE_CIRCLE))
		throw new RangeError(`closedFifths: the fifths leave ${temperingCents(left).toFixed(2)} cents of the comma over`);
	return fifths.map((fifth) => (fifth === 'wolf' ? left : fifth));
}

/** Sizes of the twelve fifths from C-G in cents. */
export function fifthSizes(temperament: Temperament): readonly Cents[] {
	return closedFifths(temperament.fifths).map((fifth) => cents(PURE_FIFTH - temperingCents(fifth)));
}

/**
 * Offsets from equal temperament by note class, C first, with `zero` (A by default) at 0.
 * Going up the circle each fifth adds its size less 700 cents; octaves are pure.
 */
export function offsetsFromEqual(temperament: Temperament, zero = 9): readonly Cents[] {
	const fromC = new Array<number>(12).fill(0);
	let sum = 0;
	fifthSizes(temperament).forEach((size, step) => {
		fromC[CIRCLE_FROM_C[step]] = sum;
		sum += size - 700;
	});
	const anchor = fromC[noteClass(zero)];
	return fromC.map((offset) => cents(offset - anchor));
}

/** Size in cents of the interval of `semitones` above each note class, C first. */
export function intervalSizes(temperament: Temperament, semitones: number): readonly Cents[] {
	const offsets = offsetsFromEqual(temperament);
	return offsets.map((offset, from) => cents(100 * semitones + offsets[noteClass(from + semitones)] - offset));
}
