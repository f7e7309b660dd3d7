import type { Examined } from '@fendrel/core';

/** What is examined, as it is printed. */
export const EXAMINED_NAMES: Readonly<Record<Examined, string>> = {
	pitch: 'Pitch, A4',
	temperament: 'Temperament, F3 to F4',
	bass: 'Bass, up to E3',
	middle: 'Middle, F♯4 to C6',
	treble: 'Treble, C♯6 to C7',
	top: 'Top, from C♯7',
	unisons: 'Unisons',
	holding: 'Holding'
};
