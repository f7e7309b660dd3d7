import { chordsIn, PASSAGES, type PlayedChord } from '$lib/tuning/passages';
import { counted } from '$lib/ui/format';
import type { MidiNote } from '$lib/audio/midiFile';

/** Notes of something that is played, chord by chord. */
export interface Piece {
	readonly id: string;
	readonly name: string;
	/** @param key semitones above C in which it is played, where it can be */
	readonly chords: (key: number) => readonly PlayedChord[];
	/** What has been left out, as a sentence. */
	readonly left?: string | undefined;
}

/** Longer pieces are heard up to there: each second of each note has to be made. */
const MOST_SECONDS = 60;
const MOST_NOTES = 900;
/** A very short note is heard so long. */
const LEAST_SECONDS = 0.12;

export const PIECES: readonly Piece[] = PASSAGES.map((passage) => ({
	...{ id: passage.id, name: passage.name },
	chords: (key) => chordsIn(passage, key)
}));

/** A piece from a file, as far as it is played on keys that the instrument has. @returns undefined where none of its notes is */
export function pieceOf(
	name: string,
	notes: readonly MidiNote[],
	{ lowest, highest }: { readonly lowest: number; readonly highest: number }
): Piece | undefined {
	const has = notes.filter(({ note }) => note >= lowest && note <= highest);
	const first = has[0]?.at ?? 0;
	const heard = has.filter(({ at }) => at - first < MOST_SECONDS).slice(0, MOST_NOTES);
	if (heard.length === 0) return undefined;
	const chords = heard.map(({ note, at, seconds }) => ({
		...{ at: at - first, notes: [note] },
		seconds: Math.min(MOST_SECONDS, Math.max(LEAST_SECONDS, seconds))
	}));
	const reasons = [
		has.length < notes.length &&
			`${counted(notes.length - has.length, 'note')} beyond its keyboard ${notes.length - has.length === 1 ? 'is' : 'are'} left out`,
		heard.length < has.length && `its first ${counted(Math.ceil(chords.at(-1)!.at), 'second')} are heard`
	].filter(Boolean);
	return {
		id: 'piece',
		name,
		chords: () => chords,
		left: reasons.length ? reasons.join('; ') : undefined
	};
}
