import type { PlayedNote } from '@fendrel/core';
import type { Result } from '$lib/ui/result';

/** Larger files are no pieces. */
const MOST_BYTES = 4 * 1024 * 1024;

/** Notes of pieces that are kept as MIDI files, and how long each sounds. */
export async function readPieces(files: readonly File[]): Promise<Result<readonly PlayedNote[]>> {
	const { Midi } = await import('@tonejs/midi');
	const all: PlayedNote[] = [];
	for (const file of files) {
		if (file.size > MOST_BYTES) return { problem: `${file.name} is larger than a piece of music is.` };
		try {
			const { tracks } = new Midi(await file.arrayBuffer());
			// The tenth channel is for drums.
			const played = tracks.filter(({ channel }) => channel !== 9).flatMap(({ notes }) => notes);
			all.push(...played.map(({ midi, duration }) => ({ note: midi, seconds: duration })));
		} catch {
			return { problem: `${file.name} is no MIDI file, or it is damaged.` };
		}
	}
	return all.length ? { value: all } : { problem: 'No note is played in what was given.' };
}
