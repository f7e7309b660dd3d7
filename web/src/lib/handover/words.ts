import { groupOf, memberOf, noteName, type SounderId } from '@fendrel/core';
import type { State } from '$lib/device/connection.svelte';
import { counted, onTime } from '$lib/ui/format';
import type { Refused } from '$lib/device/store';

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
	note: 'a note',
	finish: 'the end of the visit'
};

/** What is said while nothing waits and the server does not answer as it should. */
export function awayWords(state: State, since: Date | undefined): string {
	if (state === 'signed out') return 'You are signed out. Sign in again.';
	const who = state === 'no database' ? 'The database' : 'The server';
	return `${who} does not answer${since ? ` since ${onTime(since)}` : ''}. Go on: what you do is kept on this device.`;
}

/** A clock that is off by less says nothing that anybody would read. */
const CLOCK_MS = 60_000;
const SPANS: readonly (readonly [number, string])[] = [
	[365.25 * 86_400_000, 'year'],
	[86_400_000, 'day'],
	[3_600_000, 'hour'],
	[60_000, 'minute']
];

/** What a device's clock is off by, as a sentence: "This device's clock is 2 hours behind; ..." */
export function clockWords(serverAhead: number): string | undefined {
	const off = Math.abs(serverAhead);
	if (off < CLOCK_MS) return undefined;
	const [size, unit] = SPANS.find(([span]) => off >= 0.95 * span)!;
	return `This device’s clock is ${counted(Math.round(off / size), unit)} ${serverAhead > 0 ? 'behind' : 'ahead'}; times are taken from the server.`;
}

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
		return `Reading of ${what}${typeof reading.pitch === 'number' ? `, ${reading.pitch.toFixed(2)} Hz` : ''}`;
	}
	if (kind === 'act' && act) {
		const words = ACTS[act.do ?? ''] ?? 'something done';
		return act.sounders ? `${of(act.sounders)}: ${words}` : words[0].toUpperCase() + words.slice(1);
	}
	return kind === 'pins' || kind === 'place' ? 'Where the work stood' : 'Something that cannot be read';
}
