import type { Neck } from './neck';

/** A chord as it is fingered: frets over the capo, from the highest string; null: not sounded. */
export interface FingeredChord {
	readonly name: string;
	readonly frets: readonly (number | null)[];
	readonly capo: number;
	/** How much it counts. */
	readonly weight: number;
}

const MUTED = /^[x·–-]$/i;

/**
 * A fingering as it is written, the lowest string first: "x32010", or "x 10 12 12 11 10" where frets have two digits.
 * @returns undefined where it does not fit the strings, or asks for a fret that is not there
 */
export function parseFingering(
	text: string,
	{ strings, frets }: Pick<Neck, 'strings' | 'frets'>,
	capo = 0
): readonly (number | null)[] | undefined {
	const trimmed = text.trim();
	const words = /[\s,]/.test(trimmed) ? trimmed.split(/[\s,]+/) : [...trimmed];
	if (words.length !== strings.length) return undefined;
	const read = words.map((word) => (MUTED.test(word) ? null : /^\d{1,2}$/.test(word) ? Number(word) : undefined));
	if (read.some((fret) => fret === undefined || (fret !== null && fret + capo > frets))) return undefined;
	return read.every((fret) => fret === null) ? undefined : (read as (number | null)[]).reverse();
}

/** The same, written. */
export function fingeringText({ frets }: Pick<FingeredChord, 'frets'>): string {
	const words = [...frets].reverse().map((fret) => (fret === null ? 'x' : String(fret)));
	return words.join(words.some((word) => word.length > 1) ? ' ' : '');
}

/** Chords that most players of six strings begin with. */
export const FIRST_CHORDS: readonly { readonly name: string; readonly fingering: string }[] = [
	{ name: 'C', fingering: 'x32010' },
	{ name: 'G', fingering: '320003' },
	{ name: 'D', fingering: 'xx0232' },
	{ name: 'A', fingering: 'x02220' },
	{ name: 'E', fingering: '022100' },
	{ name: 'F', fingering: '133211' },
	{ name: 'Am', fingering: 'x02210' },
	{ name: 'Em', fingering: '022000' },
	{ name: 'Dm', fingering: 'xx0231' }
];
