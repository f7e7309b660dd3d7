import type { Programme } from '../record/programme';
import { noteClass } from '../units/note';

/** A note of a piece, and how long it sounds in seconds. */
export interface PlayedNote {
	readonly note: number;
	readonly seconds: number;
}

/** A key: its tonic as a note class from C = 0. */
export interface MusicalKey {
	readonly tonic: number;
	readonly mode: 'major' | 'minor';
}

/** Where music lies on a keyboard when nobody says what is played: about E4, most of it within an octave and a half. */
const USUAL = { centre: 64, spread: 18 } as const;
/** What a programme leaves out still counts so much. */
const BESIDES = 0.25;
/** A note that rings for long is heard no more than that many seconds. */
const LONGEST = 4;
/** How often steps of a key occur, its tonic first; notes outside it now and then. */
const STEPS = {
	major: [3, 0.2, 1.5, 0.2, 2.5, 1.5, 0.2, 3, 0.2, 1.5, 0.2, 1],
	minor: [3, 0.2, 1.5, 2.5, 0.2, 1.5, 0.2, 3, 1.5, 0.2, 1, 0.7]
} as const;

const usual = (note: number) => Math.exp(-(((note - USUAL.centre) / USUAL.spread) ** 2) / 2);

function compass(lowest: number, highest: number): readonly number[] {
	return Array.from({ length: highest - lowest + 1 }, (_, i) => lowest + i);
}

/** Weights whose mean is 1; all alike where there is nothing to weigh by. */
function weighed(notes: readonly number[], weightOf: (note: number) => number): Programme['weights'] {
	const mean = notes.reduce((sum, note) => sum + weightOf(note), 0) / notes.length;
	return notes.map((note) => [note, mean > 0 ? weightOf(note) / mean : 1] as const);
}

/** How much notes count when nobody says what is played. */
export function usualWeights(lowest: number, highest: number): Programme['weights'] {
	return weighed(compass(lowest, highest), usual);
}

const besidesUsual = (lowest: number, highest: number, weightOf: (note: number) => number): Programme['weights'] => {
	const notes = compass(lowest, highest);
	const all = new Map(weighed(notes, weightOf));
	const often = new Map(weighed(notes, usual));
	return notes.map((note) => [note, (1 - BESIDES) * all.get(note)! + BESIDES * often.get(note)!] as const);
};

/** By pieces as they are played: how long each note sounds. */
export function playedWeights(played: readonly PlayedNote[], lowest: number, highest: number): Programme['weights'] {
	const sounds = new Map<number, number>();
	for (const { note, seconds } of played)
		sounds.set(note, (sounds.get(note) ?? 0) + Math.min(LONGEST, Math.max(0, seconds)));
	return besidesUsual(lowest, highest, (note) => sounds.get(note) ?? 0);
}

/** By the keys that are played in. */
export function keyWeights(keys: readonly MusicalKey[], lowest: number, highest: number): Programme['weights'] {
	return besidesUsual(
		lowest,
		highest,
		(note) => usual(note) * keys.reduce((sum, { tonic, mode }) => sum + STEPS[mode][noteClass(note - tonic)], 0)
	);
}

const KEY = /^([a-g])\s*(#|♯|b|♭|sharp|flat)?\s*(m|min|minor|maj|major)?$/i;
const LETTERS: Record<string, number> = { c: 0, d: 2, e: 4, f: 5, g: 7, a: 9, b: 11 };

/**
 * Keys as they are typed: "C, G major, F# minor, Eb".
 * @returns what is no key, where there is one
 */
export function parseKeys(text: string): readonly MusicalKey[] | { readonly wrong: string } {
	const words = text
		.split(/[,;\n]/)
		.map((word) => word.trim())
		.filter(Boolean);
	const keys: MusicalKey[] = [];
	for (const word of words) {
		const [, letter, sign = '', mode = ''] = KEY.exec(word) ?? [];
		if (!letter) return { wrong: word };
		const by = /^(#|♯|sharp)$/i.test(sign) ? 1 : sign ? -1 : 0;
		keys.push({
			tonic: noteClass(LETTERS[letter.toLowerCase()] + by),
			mode: /^m(in|inor)?$/i.test(mode) ? 'minor' : 'major'
		});
	}
	return keys;
}
