import { noteClassName, type Chord, type StiffString } from '@fendrel/core';

/** Something short to hear a temperament by. */
export interface Passage {
	readonly id: string;
	readonly name: string;
	/** Notes of each chord, struck one after another; the key moves them. */
	readonly chords: readonly (readonly number[])[];
	readonly seconds: number;
	/** Follows the chosen key, or is the same in all. */
	readonly inKey: boolean;
}

export const PASSAGES: readonly Passage[] = [
	{
		id: 'cadence',
		name: 'Cadence',
		inKey: true,
		seconds: 1.3,
		chords: [
			[48, 60, 64, 67],
			[53, 60, 65, 69],
			[55, 59, 62, 67],
			[48, 60, 64, 67]
		]
	},
	{ id: 'triad', name: 'Triad', inKey: true, seconds: 3, chords: [[60, 64, 67]] },
	{ id: 'third', name: 'Major third', inKey: true, seconds: 3, chords: [[60, 64]] },
	{ id: 'fifth', name: 'Fifth', inKey: true, seconds: 3, chords: [[60, 67]] },
	{
		id: 'thirds',
		name: 'Thirds F3 to F4',
		inKey: false,
		seconds: 1.1,
		chords: Array.from({ length: 13 }, (_, i) => [53 + i, 57 + i])
	},
	{
		id: 'circle',
		name: 'Triads round the circle',
		inKey: false,
		seconds: 1.1,
		chords: Array.from({ length: 13 }, (_, i) => {
			const root = 55 + ((5 + 7 * i) % 12);
			return [root, root + 4, root + 7];
		})
	}
];

/** Notes of a passage, chord by chord. */
export interface PlayedChord {
	/** Seconds from the beginning. */
	readonly at: number;
	readonly seconds: number;
	readonly notes: readonly number[];
}

/** The passage with its key's tonic at `key` (0 for C). Roots above F move down, so that all keys lie alike. */
export function chordsIn({ chords, seconds, inKey }: Passage, key: number): PlayedChord[] {
	const shift = inKey ? (key > 5 ? key - 12 : key) : 0;
	return chords.map((notes, i) => ({
		at: i * seconds,
		// The last chord may ring.
		seconds: i === chords.length - 1 ? seconds + 0.7 : seconds - 0.05,
		notes: notes.map((note) => note + shift)
	}));
}

/** The passage on these strings. */
export function sounded(passage: Passage, key: number, strings: (note: number) => StiffString): Chord[] {
	return chordsIn(passage, key).map(({ at, seconds, notes }) => ({
		...{ at, seconds },
		voices: notes.map((note) => ({ note, string: strings(note) }))
	}));
}

export function keyName(key: number): string {
	return `${noteClassName(key)} major`;
}
