import { INTERVALS, type IntervalKind } from '../intervals/intervalKinds';
import { chordsOfKeys, type KeyChord } from '../listening/chord/keyChords';
import { octaveType } from '../setting/outwards';

/** What is gone through from the bottom to the top when everything is set. */
export const FINAL_WALKS = ['unisons', 'octaves', 'doubleOctaves', 'chords'] as const;
export type FinalWalk = (typeof FINAL_WALKS)[number];

/** One thing to strike: a note with its strings open, two keys, or a chord. */
export type FinalStep =
	| { readonly note: number }
	| { readonly lower: number; readonly upper: number; readonly kind: IntervalKind }
	| { readonly chord: KeyChord };

/**
 * A walk over an instrument's notes, from the lowest up; chords go around the circle of fifths.
 * @param stringsAt how many strings a note has: one string has no unison
 */
export function finalWalk(
	walk: FinalWalk,
	notes: readonly number[],
	stringsAt: (note: number) => number
): readonly FinalStep[] {
	const there = new Set(notes);
	if (walk === 'chords') {
		const [lowest, highest] = [Math.min(...notes), Math.max(...notes)];
		return chordsOfKeys({ lowest, highest })
			.filter((chord) => chord.notes.every((note) => there.has(note)))
			.map((chord) => ({ chord }));
	}
	const sorted = [...notes].sort((a, b) => a - b);
	if (walk === 'unisons') return sorted.filter((note) => stringsAt(note) > 1).map((note) => ({ note }));
	const semitones = walk === 'octaves' ? 12 : 24;
	return sorted
		.filter((lower) => there.has(lower + semitones))
		.map((lower) => ({
			lower,
			upper: lower + semitones,
			kind: walk === 'octaves' ? octaveType(lower) : INTERVALS.doubleOctave
		}));
}

/** A beat that differs from the plan by more stands out: so many of its errors, and so much per second. */
const STANDS_OUT = { errors: 2, rate: 0.4 } as const;

export function standsOut(found: number, error: number, planned: number): boolean {
	const off = Math.abs(found - planned);
	return off > STANDS_OUT.rate && off > STANDS_OUT.errors * error;
}
