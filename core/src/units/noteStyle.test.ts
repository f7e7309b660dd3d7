import fc from 'fast-check';
import { afterEach, describe, expect, it } from 'vitest';
import { noteName, parseNote, readNote, fileNoteName } from './note';
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
				expect(parseNote(fileNoteName(note))).toBe(note);
			})
		);
	});

	it('tell H from B where B lies below it', () => {
		callNotesAs(() => ({ letters: 'german', accidentals: 'usual' }));
		expect([noteName(71), noteName(70)]).toEqual(['H4', 'B4']);
		expect(readNote('B4')).toBe(70);
		expect(parseNote('B4')).toBe(71);
		expect(fileNoteName(70)).toBe('Bb4');
	});

	it('understand what is said elsewhere for sharp and flat', () => {
		const german = { letters: 'german', accidentals: 'usual' } as const;
		const read = (text: string) => readNoteIn(german, text);
		expect(['Cis4', 'es4', 'As3', 'Des4', 'fis2', 'Hes3', 'C#4'].map(read)).toEqual([61, 63, 56, 61, 42, 58, 61]);
		const sung = { letters: 'solfege', accidentals: 'usual' } as const;
		expect(['Do4', 'Sol#3', 'Sib2', 'Réb4', 'La4'].map((text) => readNoteIn(sung, text))).toEqual([60, 56, 46, 61, 69]);
		expect(['Bb4', 'B♭4', 'B4'].map(read)).toEqual([70, 70, 70]);
		// Letters are understood beside syllables: what a page fills in is read again.
		const letters = ['A0', 'C8', 'F3', 'Fa3', 'Lab4', 'Eb4', 'D#4', 'D4', 'Do4', 'Re4'];
		expect(letters.map((text) => readNoteIn(sung, text))).toEqual([21, 108, 53, 53, 68, 63, 63, 62, 60, 62]);
		expect(['Bes4', 'B#4', 'Cs4', 'Hs3', 'Cis', 'X4', '4', 'Sol4', ''].map(read)).toEqual(Array(9).fill(undefined));
		expect(['H4', 'Cis4'].map((text) => readNoteIn(USUAL_NOTE_STYLE, text))).toEqual([undefined, undefined]);
	});
});
