import { calledIn, nameStyle, readNoteIn, USUAL_NOTE_STYLE } from './noteStyle';

/** Notes are whole semitone numbers: A0 = 21, C4 = 60, A4 = 69, C8 = 108. */
const LETTERS: Readonly<Record<string, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
const ACCIDENTALS: Readonly<Record<string, number>> = { '': 0, '#': 1, '♯': 1, b: -1, '♭': -1 };

/** 0 for C up to 11 for B. */
export function noteClass(note: number): number {
	return ((note % 12) + 12) % 12;
}

export function noteClassName(note: number): string {
	return calledIn(nameStyle())[noteClass(note)];
}

/** The octave number as technicians write it: C4 is middle C. */
export function noteOctave(note: number): number {
	return Math.floor(note / 12) - 1;
}

/** "C♯4". */
export function noteName(note: number): string {
	return noteClassName(note) + noteOctave(note);
}

/** "F#3", "Hb2": a note's name as keyboards type it, in the reader's letters. */
export function typedNoteName(note: number): string {
	return noteName(note).replace('♯', '#').replace('♭', 'b');
}

/** "F#", "Eb": as files hold it, whatever it is called on the page. */
export function fileClassName(note: number): string {
	return calledIn(USUAL_NOTE_STYLE)[noteClass(note)].replace('♯', '#').replace('♭', 'b');
}

/** "F#3", "Eb5": a note's name as files hold it. */
export function fileNoteName(note: number): string {
	return fileClassName(note) + noteOctave(note);
}

/** True for the five raised keys of an octave. */
export function isRaisedKey(note: number): boolean {
	return [1, 3, 6, 8, 10].includes(noteClass(note));
}

/** Reads "F3", "c#4", "B♭2" or "Bb2", as files hold it; undefined when the text is not a note. */
export function parseNote(text: string): number | undefined {
	const match = /^([A-Ga-g])([#♯b♭]?)(-?\d)$/.exec(text.trim());
	if (!match) return undefined;
	return LETTERS[match[1].toUpperCase()] + ACCIDENTALS[match[2]] + 12 * (Number(match[3]) + 1);
}

/** Reads a note as this reader types it: "H3" where H is called so; undefined when the text is not a note. */
export function readNote(text: string): number | undefined {
	return readNoteIn(nameStyle(), text);
}
