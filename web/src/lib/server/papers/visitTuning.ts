import { bulkTuningDump, equalHz, hz, midiFileOf, noteTuningChange, type Hz } from '@fendrel/core';

/** Where the notes of a visit were left, in Hz by note. */
export type LeftNotes = ReadonlyMap<number, number>;

const LOWEST_LEFT = 12;

/**
 * A visit's result for any keyboard that can be tuned by MIDI: 128 keys in semitones. Keys that nobody set take the deviation between
 * those beside them.
 * @returns undefined where fewer than an octave was left
 */
export function tuningKeys(left: LeftNotes): readonly number[] | undefined {
	const known = [...left]
		.sort((a, b) => a[0] - b[0])
		.map(([note, pitch]) => [note, semitones(hz(pitch)) - note] as const);
	if (known.length < LOWEST_LEFT) return undefined;
	return Array.from({ length: 128 }, (_, key) => {
		const above = known.find(([note]) => note >= key);
		const below = known.findLast(([note]) => note <= key);
		if (!above || !below) return key + (above ?? below)![1];
		const share = above[0] === below[0] ? 0 : (key - below[0]) / (above[0] - below[0]);
		return key + below[1] + share * (above[1] - below[1]);
	});
}

const semitones = (pitch: Hz) => 69 + 12 * Math.log2(pitch / equalHz(69, hz(440)));

/** As single notes and a bulk dump in a MIDI file, or the bulk dump alone (MIDI Tuning Standard). */
export function tuningFile(keys: readonly number[], name: string, as: 'file' | 'bulk'): Uint8Array<ArrayBuffer> {
	const bulk = bulkTuningDump([...keys], name);
	if (as === 'bulk') return bulk;
	// A message holds 127 keys: the topmost, which no keyboard instrument has, stays as it is.
	return midiFileOf([bulk, noteTuningChange(new Map(keys.slice(0, 127).map((pitch, key) => [key, pitch])))]);
}
