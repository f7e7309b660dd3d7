import { noteClass, noteOctave } from '@fendrel/core';
import { ordinal } from '$lib/ui/format';

const MIDDLE_C = 60;
const WHITE = new Map([
	[0, 'C'],
	[2, 'D'],
	[4, 'E'],
	[5, 'F'],
	[7, 'G'],
	[9, 'A'],
	[11, 'B']
]);

/** A white key as somebody finds it who knows middle C: "the first A above middle C", "the second F below it". */
export function keyWords(note: number): string {
	if (note === MIDDLE_C) return 'middle C';
	const letter = WHITE.get(noteClass(note));
	const isAbove = note > MIDDLE_C;
	const away = isAbove ? Math.ceil((note - MIDDLE_C) / 12) : Math.ceil((MIDDLE_C - note) / 12);
	const count = away === 1 ? 'first' : away === 2 ? 'second' : away === 3 ? 'third' : ordinal(away);
	return `the ${count} ${letter ?? noteOctave(note)} ${isAbove ? 'above' : 'below'} middle C`;
}
