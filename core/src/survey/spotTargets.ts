import type { TouchedNote } from '../record/happened';
import type { NotePins } from './fewestPins';
import type { Neighbourhood } from './neighbourhood';

/**
 * What single notes are brought to when the rest is left as it is, in cents from their targets. Where strings of a note
 * stay, the others are brought to those; else it is brought to where its neighbours stand, or it would stand out as before:
 * to all of theirs, by the line through them, never to one neighbour's level or to another octave's note. Neighbours that
 * stand within tolerance count as on target.
 * @param notes that are touched
 * @param tolerance cents that a string may stand from its target and be left
 */
export function spotTargets(
	notes: readonly number[],
	neighbourhoods: ReadonlyMap<number, Neighbourhood>,
	pins: readonly NotePins[],
	tolerance: number
): readonly TouchedNote[] {
	const byNote = new Map(pins.map((each) => [each.note, each]));
	return notes.map((note): TouchedNote => {
		const own = byNote.get(note);
		const around = neighbourhoods.get(note);
		if (own && own.stay.length > 0 && !around?.isStray) return { note, above: own.to };
		const level = around?.expected ?? 0;
		return { note, above: Math.abs(level) > tolerance ? level : 0 };
	});
}
