import type { WrittenField } from '@fendrel/core';

/** What was written, as the pages call it. */
export const FIELD_NAMES: Record<WrittenField, string> = {
	a4: 'A4',
	temperament: 'the temperament',
	tolerance: 'the tolerance',
	curve: 'the stretch',
	raise: 'the raise',
	touch: 'which notes are touched',
	order: 'the order of work',
	intonation: 'the intonation',
	frets: 'how strings and frets are set',
	note: 'the note for the record'
};
