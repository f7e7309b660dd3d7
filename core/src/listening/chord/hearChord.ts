import { median } from 'd3-array';
import { MEDIAN_TO_SD } from '../../numeric/bisquare';
import { partialHz, type StiffString } from '../../strings/stiffString';
import { foreignShare, peakReach, peaksOf, type SoundPeaks } from '../pair/foreignPeaks';
import type { KnownKeyboard } from '../pair/hearKeys';
import { fromLaw, knownNotes, type KnownNote } from '../pair/ownPartials';
import type { KeptPair } from '../pair/pairKeeper';
import { settledSound } from '../pair/settledSound';
import type { KeyChord } from './keyChords';

/*
 * A chord that is played: which of the chords of the keys it is, and by the partials that no other of its notes comes near where
 * each of its notes stands.
 */

/** One note of a chord as it was heard. */
export interface ChordNote {
	readonly note: number;
	/** Cents from where it is thought to stand, and their standard error; undefined where the others hide it. */
	readonly off: { readonly cents: number; readonly error: number } | undefined;
	/** How far its strings stand apart, in cents; 0 where nothing was told apart. */
	readonly apart: number;
}

export type ChordWord = {
	readonly kind: 'chord';
	readonly struckAt: number;
	readonly isFinal: boolean;
	/** Undefined: no chord of a key that is known. */
	readonly chord: KeyChord | undefined;
	readonly notes: readonly ChordNote[];
};

/**
 * While its pitch falls after the blow, a string shows as several: heard from the start, one note in ten was told apart too far. So
 * much later, in seconds, none.
 */
const FALLEN_SECONDS = 0.7;
/** Peaks that no note of the chord explains hold no more of the power. */
const MOST_FOREIGN = 0.12;
/** Notes stand no further from where they are thought to, in cents. */
const DOUBT = 10;
/** Of the first partials of a note so many must be there. */
const FIRST = { partials: 4, fewest: 2 } as const;
/** What a missing partial weighs beside the share of the power that is explained. */
const MISSING = 0.03;
/** A note is told where by so many of its own partials. */
const FEWEST_OWN = 2;
/** No reading is surer, in cents. */
const LEAST_ERROR = 0.15;
/** A median is known so much worse than a mean. */
const MEDIAN_LOSS = Math.sqrt(Math.PI / 2);

/** The chord that explains a sound best; undefined where none explains it. */
function whichChord(
	sound: SoundPeaks,
	chords: readonly KeyChord[],
	thought: (note: number) => StiffString
): KeyChord | undefined {
	const present = new Map<number, number>();
	const presentOf = (note: number) => {
		let count = present.get(note);
		if (count === undefined) {
			const partials = Array.from({ length: FIRST.partials }, (_, i) => partialHz(thought(note), i + 1));
			count = partials.filter((at) =>
				sound.peaks.some(({ frequency }) => Math.abs(frequency - at) < peakReach(at, DOUBT, sound.width))
			).length;
			present.set(note, count);
		}
		return count;
	};
	let best: { readonly chord: KeyChord; readonly score: number } | undefined;
	for (const chord of chords) {
		if (chord.notes.some((note) => presentOf(note) < FIRST.fewest)) continue;
		const foreign = foreignShare(
			sound,
			chord.notes.map((note) => ({ string: thought(note), doubt: DOUBT }))
		);
		if (foreign > MOST_FOREIGN) continue;
		const missing = chord.notes.reduce((sum, note) => sum + FIRST.partials - presentOf(note), 0);
		const score = foreign + MISSING * missing;
		if (!best || score < best.score) best = { chord, score };
	}
	return best?.chord;
}

function told(note: number, thought: StiffString, { own, apart }: KnownNote): ChordNote {
	const offs = own.map(({ partial, frequency }) => fromLaw(thought, partial, frequency));
	if (offs.length < FEWEST_OWN) return { note, off: undefined, apart };
	const cents = median(offs)!;
	const scatter = MEDIAN_TO_SD * median(offs, (each) => Math.abs(each - cents))!;
	const error = Math.max(LEAST_ERROR, (MEDIAN_LOSS * scatter) / Math.sqrt(offs.length));
	return { note, off: { cents, error }, apart };
}

/** Which chord sounds, and where its notes stand. */
export function hearChord(kept: KeptPair, keyboard: KnownKeyboard, chords: readonly KeyChord[]): ChordWord {
	const sound = settledSound(kept);
	const word = { kind: 'chord', struckAt: kept.struckAt, isFinal: kept.isFinal } as const;
	const chord = whichChord(peaksOf(sound), chords, keyboard.thought);
	if (!chord) return { ...word, chord, notes: [] };
	const strings = chord.notes.map((note) => ({ string: keyboard.thought(note), strings: keyboard.strings(note) }));
	const fallen = sound.samples.subarray(Math.round(FALLEN_SECONDS * sound.sampleRate));
	const known = knownNotes({ ...sound, samples: fallen }, strings);
	return { ...word, chord, notes: chord.notes.map((note, i) => told(note, strings[i].string, known[i])) };
}

/** A note stands out by so many cents and so many errors; a unison by so many times what it may. */
const STANDS_OUT = { cents: 2, errors: 3, limits: 2 } as const;

/** A note that stood out, and by how much: from where the other notes have it, or from one end of its unison to the other. */
export interface StoodOut {
	readonly note: number;
	readonly cents: number;
	readonly isUnison: boolean;
}

/**
 * Notes that stood out of a chord.
 * @param limit cents that the strings of a note may stand apart
 */
export function outOfChord(notes: readonly ChordNote[], limit: (note: number) => number): readonly StoodOut[] {
	const level = median(notes.flatMap(({ off }) => (off ? [off.cents] : []))) ?? 0;
	return notes.flatMap(({ note, off, apart }): readonly StoodOut[] => {
		// Strings far apart shift what is read of them: first they are brought together.
		if (apart > STANDS_OUT.limits * limit(note)) return [{ note, cents: apart, isUnison: true }];
		const cents = off ? off.cents - level : 0;
		const isOut = Math.abs(cents) > Math.max(STANDS_OUT.cents, STANDS_OUT.errors * (off?.error ?? Infinity));
		return isOut ? [{ note, cents, isUnison: false }] : [];
	});
}
