/** The letters that notes are called by: B and B♭, H and B, or syllables. */
export const NOTE_LETTERS = ['english', 'german', 'solfege'] as const;
/** What raised keys are called: as tuners write them (C♯, E♭, F♯, G♯, B♭), all sharp, or all flat. */
export const ACCIDENTALS = ['usual', 'sharps', 'flats'] as const;

/** How notes are called where people read and type them. */
export interface NoteStyle {
	readonly letters: (typeof NOTE_LETTERS)[number];
	readonly accidentals: (typeof ACCIDENTALS)[number];
}
export const USUAL_NOTE_STYLE: NoteStyle = { letters: 'english', accidentals: 'usual' };

const STEPS = {
	usual: ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'G♯', 'A', 'B♭', 'B'],
	sharps: ['C', 'C♯', 'D', 'D♯', 'E', 'F', 'F♯', 'G', 'G♯', 'A', 'A♯', 'B'],
	flats: ['C', 'D♭', 'D', 'E♭', 'E', 'F', 'G♭', 'G', 'A♭', 'A', 'B♭', 'B']
} as const satisfies Record<NoteStyle['accidentals'], readonly string[]>;
const SYLLABLES: Readonly<Record<string, string>> = { C: 'Do', D: 'Re', E: 'Mi', F: 'Fa', G: 'Sol', A: 'La', B: 'Si' };

function called(step: string, letters: NoteStyle['letters']): string {
	if (letters === 'solfege') return SYLLABLES[step[0]] + step.slice(1);
	if (letters === 'german') return step === 'B' ? 'H' : step === 'B♭' ? 'B' : step;
	return step;
}

const made = new Map<string, readonly string[]>();

/** The twelve notes from C on, as a style calls them. */
export function calledIn({ letters, accidentals }: NoteStyle): readonly string[] {
	const key = `${letters} ${accidentals}`;
	const known = made.get(key) ?? STEPS[accidentals].map((step) => called(step, letters));
	made.set(key, known);
	return known;
}

/** Sharps and flats as they are typed; "s" and "es" behind a letter are German ("cis", "es", "as"). */
const ACCIDENTAL = /^(#|♯|b|♭|is|es|s)?$/;
const LETTERS: Readonly<Record<string, number>> = { c: 0, d: 2, e: 4, f: 5, g: 7, a: 9, b: 11 };
const GERMAN: Readonly<Record<string, number>> = { ...LETTERS, h: 11, b: 10 };
/** Syllables before letters, which are understood beside them: no syllable with a sign is a letter with one. */
const SYLLABLE_STEPS = { do: 0, ut: 0, re: 2, ré: 2, mi: 4, fa: 5, sol: 7, la: 9, si: 11 };
const SOLFEGE: Readonly<Record<string, number>> = { ...SYLLABLE_STEPS, ...LETTERS };

/** A note as somebody types it who calls notes so; undefined when it is none: "H3", "Cis4", "Sib2", "F#5". */
export function readNoteIn({ letters }: NoteStyle, text: string): number | undefined {
	const match = /^([a-zé♯♭#]+?)(-?\d)$/i.exec(text.trim());
	if (!match) return undefined;
	const name = match[1].toLowerCase();
	const names = { english: LETTERS, german: GERMAN, solfege: SOLFEGE }[letters];
	const letter = Object.keys(names).find((each) => name.startsWith(each));
	if (letter === undefined) return undefined;
	const sign = ACCIDENTAL.exec(name.slice(letter.length));
	if (!sign) return undefined;
	const word = sign[1] ?? '';
	if (/s$/.test(word) && (letters !== 'german' || (word === 's' && !'ae'.includes(letter)))) return undefined;
	if (letters === 'german' && letter === 'b') {
		// B is flat already, also where somebody says so; anything else of it is a slip.
		return /^[b♭]?$/.test(word) ? names.b + 12 * (Number(match[2]) + 1) : undefined;
	}
	const by = word === '' ? 0 : /^(#|♯|is)$/.test(word) ? 1 : -1;
	return names[letter] + by + 12 * (Number(match[2]) + 1);
}

let source: () => NoteStyle = () => USUAL_NOTE_STYLE;

/**
 * Says where it is looked up how the reader calls notes. Words only, as a locale's decimal sign: nothing is computed from it,
 * and nothing that is stored depends on it.
 */
export function callNotesAs(style: () => NoteStyle): void {
	source = style;
}

export const nameStyle = (): NoteStyle => source();
