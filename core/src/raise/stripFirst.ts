import type { RaisedNote } from './coupling';

/*
 * Raised with the strip in, the middle strings of all three-string notes come first, and their mates, by ear, when it is out.
 * What is set together is a unit: the mates of a note are a unit of their own, which comes later and pulls on all others.
 */

/** Mates stand a trace above their note's number: beside it, and another unit. */
const BESIDE = 0.01;

/** Whether a unit is the mates of a note whose middle string was set before. */
export const isMates = (note: number): boolean => !Number.isInteger(note);

/** @param notes in the order of work @returns middle strings and whole notes in that order, then the mates in the same */
export function stripFirst<Note extends RaisedNote>(notes: readonly Note[]): readonly Note[] {
	const strip = notes.map((each) => (each.strings === 3 ? { ...each, strings: 1 } : each));
	const mates = notes.flatMap((each) =>
		each.strings === 3 ? [{ ...each, note: each.note + BESIDE, strings: 2 }] : []
	);
	return [...strip, ...mates];
}
