import type { Result } from '$lib/ui/result';

/** A note of a piece. */
export interface MidiNote {
	readonly note: number;
	/** Seconds from the beginning. */
	readonly at: number;
	readonly seconds: number;
}

/** Larger files are no pieces. */
const MOST_BYTES = 4 * 1024 * 1024;
/** The tenth channel is for drums. */
const DRUMS = 9;

/** Notes of a piece that is kept as a MIDI file, in their order. */
export async function readMidi(file: File): Promise<Result<readonly MidiNote[]>> {
	if (file.size > MOST_BYTES) return { problem: `${file.name} is larger than a piece of music is.` };
	const { Midi } = await import('@tonejs/midi');
	try {
		const { tracks } = new Midi(await file.arrayBuffer());
		const played = tracks.filter(({ channel }) => channel !== DRUMS).flatMap(({ notes }) => notes);
		const value = played.map(({ midi, time, duration }) => ({ note: midi, at: time, seconds: duration }));
		return { value: value.sort((a, b) => a.at - b.at) };
	} catch {
		return { problem: `${file.name} is no MIDI file, or it is damaged.` };
	}
}
