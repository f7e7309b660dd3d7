import { groupOf, memberOf, noteName, type SounderId } from '@fendrel/core';
import type { Refused } from '$lib/device/store';
import { fixed } from '$lib/ui/format';

interface Said {
	readonly kind?: string;
	readonly reading?: { readonly sounders?: SounderId[]; readonly note?: number; readonly pitch?: number | null };
	readonly act?: { readonly do?: string; readonly sounders?: SounderId[] };
}
const ACTS: Record<string, string> = {
	accept: 'kept as it stands',
	takeBack: 'something taken back',
	discard: 'a reading discarded',
	place: 'where the work stood',
	stage: 'the stage of the work',
	plan: 'a plan',
	book: 'a booking',
	note: 'a note',
	finish: 'the end of the visit'
};

/** What was refused, as whoever made it would call it: "Reading of A4 left, 441.20 Hz". */
export function refusedWords({ item }: Pick<Refused, 'item'>): string {
	const { kind, reading, act } = (item ?? {}) as Said;
	const of = ([sounder]: readonly SounderId[] = []) =>
		sounder ? `${noteName(groupOf(sounder))} ${memberOf(sounder)}` : 'a note';
	if (kind === 'begin') return 'A visit that was begun';
	if (kind === 'reading' && reading) {
		const what = reading.sounders
			? of(reading.sounders)
			: reading.note === undefined
				? 'a note'
				: noteName(reading.note);
		return `Reading of ${what}${typeof reading.pitch === 'number' ? `, ${fixed(reading.pitch, 2)} Hz` : ''}`;
	}
	if (kind === 'act' && act) {
		const words = ACTS[act.do ?? ''] ?? 'something done';
		return act.sounders ? `${of(act.sounders)}: ${words}` : words[0].toUpperCase() + words.slice(1);
	}
	return kind === 'pins' || kind === 'place' ? 'Where the work stood' : 'Something that cannot be read';
}
