import {
	equalHz,
	hz,
	typedNoteName,
	noteName,
	parseNote,
	readNote,
	fileNoteName,
	WIRE,
	type WireName
} from '@fendrel/core';
import { readCsv, writeCsv } from '$lib/ui/csv';
import { counted } from '$lib/ui/format';
import type { Result } from '$lib/ui/result';
import { typedNumber } from '$lib/ui/typed';
import { lineProblem, type StringLine } from './stringLine';
import { typedLength, typedMm } from '$lib/ui/measures';

/** A line as it is typed. */
export interface TypedLine {
	readonly note: string;
	readonly strings: string;
	readonly wire: string;
	readonly core: string;
	readonly length: string;
	readonly winding: string;
	readonly strength: string;
}

export const EMPTY_LINE: TypedLine = {
	note: '',
	strings: '',
	wire: 'steel',
	core: '',
	length: '',
	winding: '',
	strength: ''
};

/** What lines are read against: the keyboard, its pitch, and how many strings its notes usually have. */
export interface LineContext {
	readonly lowest: number;
	readonly highest: number;
	readonly a4: number;
	readonly stringsAt: ReadonlyMap<number, number>;
}

/** How notes and sizes are written: as this reader does, or as files do. */
interface Hand {
	readonly note: (text: string) => number | undefined;
	readonly noteText: (note: number) => string;
	readonly size: (text: string) => number;
	readonly sizeText: (mm: number) => string;
}
const READERS: Hand = { note: readNote, noteText: typedNoteName, size: typedMm, sizeText: typedLength };
const FILES: Hand = { note: parseNote, noteText: fileNoteName, size: typedNumber, sizeText: String };

/** Reads a line, comma or point; empty fields are unknown. */
export function readLine(
	typed: TypedLine,
	{ lowest, highest, a4, stringsAt }: LineContext,
	hand = READERS
): Result<StringLine> {
	const note = hand.note(typed.note.trim());
	if (note === undefined) return { problem: `“${typed.note}” is not a note. Write it as C4, F#3 or Eb5.` };
	if (note < lowest || note > highest)
		return { problem: `${noteName(note)} is not on this keyboard (${noteName(lowest)} to ${noteName(highest)}).` };
	const material = wireNamed(typed.wire);
	if (!material) return { problem: `${noteName(note)}: “${typed.wire}” is none of ${Object.keys(WIRE).join(', ')}.` };
	const figures: Record<string, number | null> = {};
	for (const key of ['strings', 'core', 'length', 'winding', 'strength'] as const) {
		const read = key === 'strings' || key === 'strength' ? typedNumber : hand.size;
		const value = typed[key].trim() === '' ? null : read(typed[key]);
		if (value !== null && !(value > 0 && value < 1e5))
			return { problem: `${noteName(note)}: “${typed[key]}” is not a valid ${key === 'core' ? 'diameter' : key}.` };
		figures[key] = value;
	}
	const strings = figures.strings ?? stringsAt.get(note) ?? 1;
	if (![1, 2, 3].includes(strings)) return { problem: `${noteName(note)}: a note has 1 to 3 strings, not ${strings}.` };
	const { core, length, winding: outer, strength } = figures;
	const line: StringLine = { note, strings, material, core, length, outer, strength };
	const problem = lineProblem(line, equalHz(note, hz(a4)));
	return problem ? { problem: `${noteName(note)}: ${problem}` } : { value: line };
}

function wireNamed(text: string): WireName | undefined {
	const plain = text.trim().toLowerCase();
	if (plain === '') return 'steel';
	return (Object.keys(WIRE) as WireName[]).find((name) => name === plain || WIRE[name].name === plain);
}

const text = (value: number | null, said: (value: number) => string = String) => (value === null ? '' : said(value));

export function typedLine(
	{ note, strings, material, core, length, outer, strength }: StringLine,
	hand = READERS
): TypedLine {
	return {
		note: hand.noteText(note),
		strings: String(strings),
		wire: material,
		core: text(core, hand.sizeText),
		length: text(length, hand.sizeText),
		winding: text(outer, hand.sizeText),
		strength: text(strength)
	};
}

/** More notes no keyboard has. */
const MOST = { most: 200, bytes: 100_000 } as const;
const COLUMNS = ['note', 'strings', 'wire', 'core', 'length', 'winding', 'strength'] as const;
/** Other words for the columns, as people head them. */
const HEADINGS: Readonly<Record<string, (typeof COLUMNS)[number]>> = {
	material: 'wire',
	diameter: 'core',
	'core mm': 'core',
	'wire mm': 'core',
	'length mm': 'length',
	'speaking length': 'length',
	outer: 'winding',
	'winding mm': 'winding',
	'strength mpa': 'strength'
};

export type ReadTable =
	{ readonly lines: readonly StringLine[]; readonly said: string } | { readonly problems: readonly string[] };

/** Reads pasted text or a CSV file: with a heading line, or with the columns in our order. All of it or none. */
export function readTable(source: string, context: LineContext): ReadTable {
	const table = readCsv(source, MOST);
	if ('problem' in table) return { problems: [table.problem] };
	const data = table.rows;
	const first = data[0].map((cell) =>
		cell
			.trim()
			.toLowerCase()
			.replace(/[(),_]/g, ' ')
			.replace(/\s+/g, ' ')
			.trim()
	);
	const named = first.map((cell) => COLUMNS.find((column) => column === cell) ?? HEADINGS[cell]);
	const hasHeading = named.includes('note');
	if (hasHeading && named.includes(undefined as never)) {
		const strange = first.filter((_, i) => !named[i]);
		return { problems: [`No column is called “${strange.join('”, “')}”: write ${COLUMNS.join(', ')}.`] };
	}
	const columns = hasHeading ? named : COLUMNS;
	const found = new Map<number, StringLine>();
	const problems: string[] = [];
	data.slice(hasHeading ? 1 : 0).forEach((cells, i) => {
		const typed = { ...EMPTY_LINE, ...Object.fromEntries(cells.map((cell, k) => [columns[k] ?? 'more', cell])) };
		const read = readLine(typed, context, FILES);
		const at = `Line ${i + 1 + (hasHeading ? 1 : 0)}`;
		if ('problem' in read) problems.push(`${at}: ${read.problem}`);
		else if (found.has(read.value.note)) problems.push(`${at}: ${noteName(read.value.note)} stands in it twice.`);
		else found.set(read.value.note, read.value);
	});
	if (problems.length) return { problems };
	if (found.size === 0) return { problems: ['There is a heading but no strings below it.'] };
	return { lines: [...found.values()], said: `${counted(found.size, 'note')} read.` };
}

export function tableCsv(lines: readonly StringLine[]): string {
	return writeCsv(
		sorted(lines).map((line) => typedLine(line, FILES)),
		COLUMNS
	);
}

export function sorted(lines: readonly StringLine[]): readonly StringLine[] {
	return [...lines].sort((a, b) => a.note - b.note);
}

/** The table with these lines in place of what their notes had. */
export function withLines(lines: readonly StringLine[], more: readonly StringLine[]): readonly StringLine[] {
	const changed = new Set(more.map(({ note }) => note));
	return sorted([...lines.filter(({ note }) => !changed.has(note)), ...more]);
}
