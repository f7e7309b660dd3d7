import { centsBetween } from '../units/pitch';
import { hz } from '../units/quantity';
import { strays } from './strays';

/**
 * Notes that moved otherwise than their neighbours from one visit to the next: worth reading again.
 * @param left pitches in Hz as they were left, by note
 * @param found pitches as they were found at the next visit
 */
export function jumpedNotes(
	left: ReadonlyMap<number, number>,
	found: ReadonlyMap<number, number>,
	breakNote?: number
): readonly number[] {
	const changes = [...found].flatMap(([note, pitch]) => {
		const before = left.get(note);
		return before === undefined ? [] : [{ note, level: centsBetween(hz(before), hz(pitch)), error: 0 }];
	});
	return strays(changes, breakNote).strays.map(({ note }) => note);
}
