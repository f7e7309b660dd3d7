import fc from 'fast-check';
import { afterEach, describe, expect, it } from 'vitest';
import { noteName, parseNote, readNote, typedNoteName } from './note';
import { ACCIDENTALS, callNotesAs, NOTE_LETTERS, readNoteIn, USUAL_NOTE_STYLE } from './noteStyle';

afterEach(() => callNotesAs(() => USUAL_NOTE_STYLE));

describe('notes by the names of whoever reads them', () => {
	it('are read as they were written, in every style', () => {
		const style = fc.record({
			letters: fc.constantFrom(...NOTE_LETTERS),
			accidentals: fc.constantFrom(...ACCIDENTALS)
		});
		fc.assert(
			fc.property(style, fc.integer({ min: 12, max: 119 }), (called, note) => {
				callNotesAs(() => called);
				expect(readNote(noteName(note))).toBe(note);
				expect(readNote(noteName(note).toLowerCase())).toBe(note);
				// Files call them one way.
				expect(parseNote(typedNoteName(note))).toBe(note);
			})
		);
	});

	it('tell H from B where B lies below it', () => {
		callNotesAs(() => ({ letters: 'german', accidentals: 'usual' }));
		expect([noteName(71), noteName(70)]).toEqual(['H4', 'B4']);
		expect(readNote('B4')).toBe(70);
		expect(parseNote('B4')).toBe(71);
		expect(typedNoteName(70)).toBe('Bb4');
	});

	it('understand what is said elsewhere for sharp and flat', () => {
		const german = { letters: 'german', accidentals: 'usual' } as const;
		const read = (text: string) => readNoteIn(german, text);
		expect(['Cis4', 'es4', 'As3', 'Des4', 'fis2', 'Hes3', 'C#4'].map(read)).toEqual([61, 63, 56, 61, 42, 58, 61]);
		const sung = { letters: 'solfege', accidentals: 'usual' } as const;
		expect(['Do4', 'Sol#3', 'Sib2', 'Réb4', 'La4'].map((text) => readNoteIn(sung, text))).toEqual([60, 56, 46, 61, 69]);
		expect(['Cs4', 'Hs3', 'Cis', 'X4', '4', 'Sol4', ''].map(read)).toEqual(Array(7).fill(undefined));
		expect(['H4', 'Cis4'].map((text) => readNoteIn(USUAL_NOTE_STYLE, text))).toEqual([undefined, undefined]);
	});
});
