import type { PlayedNote } from '@fendrel/core';
import { readMidi } from '$lib/audio/midiFile';
import type { Result } from '$lib/ui/result';

/** Notes of pieces that are kept as MIDI files, and how long each sounds. */
export async function readPieces(files: readonly File[]): Promise<Result<readonly PlayedNote[]>> {
	const all: PlayedNote[] = [];
	for (const file of files) {
		const read = await readMidi(file);
		if ('problem' in read) return read;
		all.push(...read.value.map(({ note, seconds }) => ({ note, seconds })));
	}
	return all.length ? { value: all } : { problem: 'No note is played in what was given.' };
}
