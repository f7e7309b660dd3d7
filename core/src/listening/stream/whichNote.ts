import { A4, centsBetween } from '../../units/pitch';
import { hz, type Hz } from '../../units/quantity';
import type { Due, Standing } from '../events';
import { BEYOND, type ExpectedStrings } from './recognise';

/** Without any knowledge where the instrument stands, the note that is due is believed so far from its target. */
const BELIEVED = 35;
/** ... and may be the one that sounds up to here. */
const THINKABLE = 80;
/** Cents outside where a note is thought to stand at which it is still taken for that note ... */
const NEAR = 27;
/** ... if no other one lies within so many cents more. */
const APART = 15;
/** Farther from where any note is thought to stand, the semitones are counted. */
const FAR = 60;

/** The key that was struck; `or`: another one that it may have been as well. */
export interface WhichNote {
	readonly note: number;
	readonly or?: number;
}

/**
 * The note a pitch belongs to. What decides is where each note is known or thought to stand; while nothing is known, how
 * near the pitch lies to the target of the note that is due. Two notes that cannot be told apart are both told.
 */
export function whichNote(pitch: number, strings: ExpectedStrings, due?: Due): WhichNote {
	if (due?.about?.length) return amongStandings(hz(pitch), strings, due, due.about);
	if (!due) return { note: nearestNote(pitch, strings) };
	const off = centsBetween(due.pitch, hz(pitch));
	if (Math.abs(off) < BELIEVED) return { note: due.note };
	const next = due.note + Math.sign(off);
	const isKey = next >= strings.lowest && next <= strings.highest;
	if (Math.abs(off) < THINKABLE) return isKey ? { note: due.note, or: next } : { note: due.note };
	return { note: nearestNote(pitch, strings) };
}

const nearestNote = (pitch: number, strings: ExpectedStrings) =>
	keyAt(A4 + 12 * Math.log2(pitch / strings.a4), strings);

/** The key nearest to a place in semitones; little beyond the ends of the keyboard it is the last one. */
function keyAt(place: number, { lowest, highest }: ExpectedStrings): number {
	const within = Math.min(Math.max(place, lowest), highest);
	return Math.abs(place - within) < BEYOND ? Math.round(within) : Math.round(place);
}

/** Cents by which a pitch lies outside where a note is thought to stand. */
const outside = (pitch: Hz, { low, high }: Standing) =>
	Math.max(0, centsBetween(pitch, low), centsBetween(high, pitch));

function amongStandings(pitch: Hz, strings: ExpectedStrings, due: Due, about: readonly Standing[]): WhichNote {
	const near = about
		.map((standing) => ({ note: standing.note, by: outside(pitch, standing) }))
		.sort((a, b) => a.by - b.by || Math.abs(a.note - due.note) - Math.abs(b.note - due.note));
	const [best, second] = near;
	if (best.by > FAR) {
		const from = middleOf(about.find(({ note }) => note === due.note)) ?? due.pitch;
		return { note: keyAt(due.note + centsBetween(from, pitch) / 100, strings) };
	}
	const isClear = best.by <= NEAR && (!second || second.by - best.by >= APART);
	return isClear || !second ? { note: best.note } : { note: best.note, or: second.note };
}

/** Where a note is thought to stand, in Hz. */
export const middleOf = (standing: Standing | undefined): Hz | undefined =>
	standing && hz(Math.sqrt(standing.low * standing.high));

/** Where the note that is due is thought to stand: at its target while nothing else is known. */
export function expectedPitch(due: Due | undefined): Hz | undefined {
	return middleOf(due?.about?.find(({ note }) => note === due.note)) ?? due?.pitch;
}
