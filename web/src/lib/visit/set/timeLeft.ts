import { median } from 'd3-array';
import { paceOf, usualWeights, whatFits, workDone, type Fits, type StillToDo } from '@fendrel/core';
import type { KeyboardVisit } from '../keyboardVisit.svelte';
import { settingsOf } from '../workshopSettings';
import { sectionAt } from './partOfStrings';

/** A visit's own pace is known from so many strings on. */
const FEWEST = 12;
/** How far off a note is thought to stand of which nobody has read anything, in cents. */
const UNREAD = 5;

/** Minutes that a string takes: by this visit, or by what a whole tuning takes here. */
export function minutesAString(open: Pick<KeyboardVisit, 'about' | 'record' | 'family' | 'body'>): number {
	const { about, record, family, body } = open;
	const { minutes, sounders } = workDone(record.report);
	const inSet = minutes.get('set') ?? 0;
	if (sounders >= FEWEST && inSet > 1) return inSet / sounders;
	const pace = about.pace ?? paceOf([], settingsOf(open).minutes);
	const strings = family.groups(body).reduce((sum, group) => sum + family.sounders(body, group).length, 0);
	return pace.tariff.tuning / strings;
}

/** What is not set yet of the notes in order: how far off each is thought to stand, how long it takes, how much it counts. */
export function stillToDo(open: KeyboardVisit, notes: readonly number[]): readonly StillToDo[] {
	const { summary, instrument, family, body, record } = open;
	const { lowest, highest } = instrument;
	const weights = new Map(record.report.arrival.programme?.weights ?? usualWeights(lowest, highest));
	const each = minutesAString(open);
	const found = [...summary.notes.values()].flatMap(({ note, found: off }) =>
		off === undefined ? [] : [{ note, off }]
	);
	const thought = (note: number) => {
		const section = sectionAt(instrument, note);
		const near = found.filter((other) => sectionAt(instrument, other.note) === section);
		return median(near.length ? near : found, ({ off }) => Math.abs(off)) ?? UNREAD;
	};
	return notes
		.filter((note) => !summary.notes.get(note)?.set)
		.map((note) => ({
			note,
			off: summary.notes.get(note)?.found ?? thought(note),
			minutes: each * family.sounders(body, note).length,
			weight: weights.get(note) ?? 1
		}));
}

/** What of the order's notes fits into the time that is left. */
export function fitsInto(open: KeyboardVisit, notes: readonly number[], minutes: number): Fits {
	return whatFits(stillToDo(open, notes), minutes);
}
