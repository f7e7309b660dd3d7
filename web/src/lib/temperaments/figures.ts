import {
	CIRCLE_FROM_C,
	fifthSizes,
	fifthTexts,
	hz,
	intervalSizes,
	keyCharacters,
	PURE_FIFTH,
	PYTHAGOREAN_COMMA,
	targetTable,
	typicalInharmonicity,
	type StiffString,
	type StringKind,
	type Temperament
} from '@fendrel/core';
import type { RingFifth } from '$lib/charts/ringOfFifths';
import { decimal, fixed } from '$lib/ui/format';

export type Tuned = Pick<Temperament, 'tuning'>;

const LONGEST_TEXT = 8;

export function ringFifths(temperament: Tuned): RingFifth[] {
	const texts = fifthTexts(temperament);
	return fifthSizes(temperament).map((size, i) => {
		const narrow = PURE_FIFTH - size;
		// A fraction of two commas says less than its cents, and does not fit into the ring.
		const long = texts[i].length > LONGEST_TEXT;
		return {
			narrow,
			text: long ? `${fixed(Math.abs(narrow), 1)} c ${narrow < 0 ? 'wide' : ''}`.trim() : decimal(texts[i])
		};
	});
}

/** Major thirds in cents, in the order of the circle of fifths from C. */
export function thirdsByFifths(temperament: Tuned): number[] {
	const sizes = intervalSizes(temperament, 4);
	return CIRCLE_FROM_C.map((from) => sizes[from]);
}

/** What the narrow fifths take, the wide ones give back, and whether that makes the comma. */
export function commaCheck(temperament: Tuned): { narrow: number; wide: number; total: number } {
	const narrowings = fifthSizes(temperament).map((size) => PURE_FIFTH - size);
	const narrow = narrowings.filter((each) => each > 0).reduce((sum, each) => sum + each, 0);
	const wide = -narrowings.filter((each) => each < 0).reduce((sum, each) => sum + each, 0);
	return { narrow, wide, total: narrow - wide };
}
export const COMMA = PYTHAGOREAN_COMMA;

/** Strings of the usual compass in a temperament, on a typical instrument of its kind. */
export function typicalStrings(temperament: Tuned, kind: StringKind, a4: number): (note: number) => StiffString {
	const [lowest, highest] = [29, 100];
	const table = targetTable({
		lowest,
		highest,
		a4: hz(a4),
		temperament,
		inharmonicityAt: (note) => typicalInharmonicity(kind, note)
	});
	return (note) => table[note - lowest].string;
}

/** Major keys' roughness in the order of the circle of fifths from C. */
export function roughnessByFifths(strings: (note: number) => StiffString): number[] {
	const keys = keyCharacters(strings);
	return CIRCLE_FROM_C.map((root) => keys[root].roughness);
}
