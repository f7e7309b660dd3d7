import {
	bulkTuningDump,
	centsBetween,
	hz,
	midiFileOf,
	noteClass,
	noteTuningChange,
	offsetsFromEqual,
	transposed
} from '@fendrel/core';
import { toCsv, toJson } from '$lib/temperaments/exchange';
import type { StoredTemperament } from '$lib/tuning/storedTemperament';

/** What can be taken away, by the word in the address. */
export const DOWNLOADS = {
	csv: { type: 'text/csv; charset=utf-8', ending: 'csv' },
	json: { type: 'application/json; charset=utf-8', ending: 'json' },
	syx: { type: 'application/octet-stream', ending: 'syx' },
	notes: { type: 'application/octet-stream', ending: 'syx' },
	mid: { type: 'audio/midi', ending: 'mid' }
} as const;
export type DownloadFormat = keyof typeof DOWNLOADS;

/** 128 keys in semitones, 69 at 440 Hz: equal temperament at `a4` with the temperament's offsets from A. */
function midiKeys(temperament: StoredTemperament, a4: number): number[] {
	const offsets = offsetsFromEqual(temperament);
	const level = centsBetween(hz(440), hz(a4));
	return Array.from({ length: 128 }, (_, key) => key + (offsets[noteClass(key)] + level) / 100);
}

function body(temperament: StoredTemperament, format: DownloadFormat, a4: number): string | Uint8Array<ArrayBuffer> {
	if (format === 'csv') return toCsv([temperament]);
	if (format === 'json') return toJson([temperament]);
	const keys = midiKeys(temperament, a4);
	const bulk = bulkTuningDump(keys, temperament.name);
	if (format === 'syx') return bulk;
	// A message holds 127 keys: the topmost, which no keyboard instrument has, stays as it is.
	const notes = noteTuningChange(new Map(keys.slice(0, 127).map((pitch, key) => [key, pitch])));
	return format === 'notes' ? notes : midiFileOf([bulk, notes]);
}

export function download(
	temperament: StoredTemperament,
	format: DownloadFormat,
	{ root, a4 }: { readonly root: number; readonly a4: number }
): Response {
	const { type, ending } = DOWNLOADS[format];
	const plain = temperament.name
		.normalize('NFD')
		.replace(/[^\w]+/g, '-')
		.replace(/^-+|-+$/g, '')
		.toLowerCase();
	const file = `${plain || 'temperament'}${format === 'notes' ? '-notes' : ''}.${ending}`;
	return new Response(body(transposed(temperament, root), format, a4), {
		headers: { 'content-type': type, 'content-disposition': `attachment; filename="${file}"` }
	});
}
