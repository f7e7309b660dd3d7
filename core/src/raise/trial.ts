import type { RaisedNote } from './coupling';
import { learn, type LearnedCoupling, type Raised, type Sunk } from './learning';
import { READING_CENTS, type PassEvent } from './pass';

/*
 * A trial raise: one string of one note an octave is raised to pitch, and read again after some minutes. A bad set shows at
 * once, and what a string loses by itself is known before the first note is set.
 */

/** A string that was raised on trial; cents from where its note shall end. */
export interface TriedNote {
	readonly note: number;
	readonly before: number | undefined;
	readonly raised: number | undefined;
	readonly after: number | undefined;
}

/** One note an octave, F sharp, up the keyboard. */
export function trialNotes(lowest: number, highest: number): readonly number[] {
	const first = lowest + ((6 - (lowest % 12) + 12) % 12);
	return Array.from({ length: Math.floor((highest - first) / 12) + 1 }, (_, i) => first + 12 * i);
}

/** What became of each string tried: as it was read first, as it was left, and the last reading after that. */
export function triedNotes(notes: readonly number[], happened: readonly PassEvent[]): readonly TriedNote[] {
	return notes.map((note) => {
		const of = happened.filter((event) => event.note === note);
		const set = of.map(({ kind }) => kind).lastIndexOf('set');
		return {
			note,
			before: of.find(({ kind }) => kind === 'read')?.at,
			raised: of[set]?.at,
			after:
				set < 0
					? undefined
					: of
							.slice(set + 1)
							.filter(({ kind }) => kind === 'read')
							.at(-1)?.at
		};
	});
}

/** What a trial tells of the piano. */
export function learnFromTrial(
	known: LearnedCoupling,
	tried: readonly TriedNote[],
	noteOf: (note: number) => RaisedNote | undefined
): LearnedCoupling {
	const whole = tried.flatMap(({ note, before, raised, after }) => {
		const of = noteOf(note);
		if (!of || before === undefined || raised === undefined) return [];
		return [{ note: { ...of, strings: 1 }, by: raised - before, raised, after }];
	});
	const seen = whole.flatMap(({ note, by, raised, after }, i): Sunk[] => {
		if (after === undefined) return [];
		const since: readonly Raised[] = whole.slice(i + 1);
		return [{ note, sunk: raised - after, error: Math.hypot(READING_CENTS, READING_CENTS), since, own: by }];
	});
	return learn(known, seen, known.raises);
}
