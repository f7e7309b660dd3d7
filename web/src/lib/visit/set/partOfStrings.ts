import { breakOf, sectionsOf, type SectionId } from '@fendrel/core';
import type { KeyboardVisit } from '../keyboardVisit.svelte';

const PIANO: Record<SectionId, string> = {
	bass: 'bass',
	tenor: 'tenor',
	middle: 'tenor',
	treble: 'treble',
	top: 'treble'
};

/** The section of a keyboard that a note lies in. */
export function sectionAt(
	{ lowest, highest, stringing }: KeyboardVisit['instrument'],
	note: number
): SectionId | undefined {
	return sectionsOf(lowest, highest, breakOf(stringing)).find(({ from, to }) => note >= from && note <= to)?.id;
}

/** The part that a note's strings belong to, of those that are looked at on arrival. */
export function partOfStrings(instrument: KeyboardVisit['instrument'], note: number): string {
	return instrument.kind === 'harpsichord' ? 'strings' : PIANO[sectionAt(instrument, note) ?? 'middle'];
}
