import { INSTRUMENT_KINDS, noteName, parseNote, type InstrumentKind } from '@fendrel/core';
import { writeCsv } from '$lib/ui/csv';
import { KIND_NAMES } from '$lib/tuning/kinds';
import { instrumentSchema, type InstrumentForm } from '../instrumentForm';

/** What a register from anywhere may say of an instrument: headings by which a column is known. */
export const FIELDS = [
	{ id: 'name', name: 'Name', known: /^(name|instrument|title|id)$/i },
	{ id: 'kind', name: 'Kind', known: /kind|type|art/i },
	{ id: 'location', name: 'Place', known: /place|location|room|building|where|address/i },
	{ id: 'town', name: 'Town', known: /town|city|ort/i },
	{ id: 'maker', name: 'Maker', known: /maker|make|brand|builder|manufacturer/i },
	{ id: 'madeIn', name: 'Made in', known: /year|made|built/i },
	{ id: 'usualA4', name: 'Usual A4, Hz', known: /a4|pitch|hz/i },
	{ id: 'lowest', name: 'Lowest note', known: /lowest|from note/i },
	{ id: 'highest', name: 'Highest note', known: /highest|to note/i },
	{ id: 'notes', name: 'Notes', known: /note|remark|comment/i }
] as const;
export type FieldId = (typeof FIELDS)[number]['id'];
/** Column of each field, counted from 0; undefined: the file does not say. */
export type Columns = Readonly<Partial<Record<FieldId, number>>>;

/** Which column is which, by its heading; each once. */
export function guessColumns(heading: readonly string[]): Columns {
	const taken = new Set<number>();
	const columns: Partial<Record<FieldId, number>> = {};
	for (const { id, known } of FIELDS) {
		const at = heading.findIndex((name, i) => !taken.has(i) && known.test(name.trim()));
		if (at < 0) continue;
		taken.add(at);
		columns[id] = at;
	}
	return columns;
}

/** Files call notes C4, F#3, Eb5; forms call them as the reader does. */
function called(text: string): string {
	const note = parseNote(text);
	return note === undefined ? text : noteName(note);
}

const WORDS: readonly (readonly [RegExp, InstrumentKind])[] = [
	[/harpsichord|cembalo|virginal|spinet/i, 'harpsichord'],
	[/forte\s?piano/i, 'fortepiano'],
	[/grand|flügel/i, 'grand'],
	[/upright|piano|klavier/i, 'upright']
];
const USUAL: Partial<Record<InstrumentKind, readonly [string, string]>> = {
	...{ grand: ['A0', 'C8'], upright: ['A0', 'C8'], fortepiano: ['F1', 'F6'], harpsichord: ['F1', 'F6'] }
};

/** A kind as people write it; reeds and frets need a layout, which no column holds. */
export function kindOf(text: string): InstrumentKind | undefined {
	const exact = INSTRUMENT_KINDS.find(
		(kind) => kind === text.trim().toLowerCase() || KIND_NAMES[kind].toLowerCase() === text.trim().toLowerCase()
	);
	const kind = exact ?? (text.trim() === '' ? 'upright' : WORDS.find(([words]) => words.test(text))?.[1]);
	return kind && USUAL[kind] ? kind : undefined;
}

/** A line as it would be added, or what is in the way. */
export interface ReadLine {
	/** As the file counts its lines, the heading the first. */
	readonly line: number;
	readonly name: string;
	readonly form?: InstrumentForm;
	readonly problem?: string;
}

/** Lines of a register, by columns. @param taken names that are there already @param towns town of a place that is known */
export function readLines(
	rows: readonly (readonly string[])[],
	columns: Columns,
	taken: readonly string[],
	towns: ReadonlyMap<string, string>
): readonly ReadLine[] {
	const names = new Set(taken.map((name) => name.toLowerCase()));
	return rows.map((row, i) => {
		const cell = (id: FieldId) => (columns[id] === undefined ? '' : (row[columns[id]] ?? '').trim());
		const [line, name] = [i + 2, cell('name')];
		const kind = kindOf(cell('kind'));
		if (!kind) return { line, name, problem: `“${cell('kind')}” is no kind of keyboard that is known here.` };
		if (names.has(name.toLowerCase())) return { line, name, problem: 'There is one of that name.' };
		const [low, high] = USUAL[kind]!;
		const location = cell('location');
		const read = instrumentSchema.safeParse({
			...{ name, kind, location, place: '', maker: cell('maker'), notes: cell('notes') },
			town: cell('town') || (towns.get(location) ?? ''),
			madeIn: /\d{4}/.exec(cell('madeIn'))?.[0] ?? cell('madeIn'),
			usualA4: cell('usualA4').replace(',', '.').replace(/\s*hz/i, '') || 440,
			...{ lowest: called(cell('lowest') || low), highest: called(cell('highest') || high) }
		});
		if (!read.success) {
			const [{ path, message }] = read.error.issues;
			const field = FIELDS.find(({ id }) => id === path[0]);
			return { line, name, problem: field && field.id !== 'name' ? `${field.name}: ${message}` : message };
		}
		names.add(name.toLowerCase());
		return { line, name, form: read.data };
	});
}

/** The register as a table that comes back through `readLines`. */
export function registerCsv(
	instruments: readonly {
		readonly name: string;
		readonly kind: InstrumentKind;
		readonly place: string;
		readonly town: string;
		readonly maker: string;
		readonly madeIn: number | null;
		readonly usualA4: number;
		readonly lowest: string;
		readonly highest: string;
		readonly notes: string;
	}[]
): string {
	return writeCsv(
		instruments.map(({ name, kind, place, town, maker, madeIn, usualA4, lowest, highest, notes }) => ({
			...{ name, kind: KIND_NAMES[kind], place, town, maker, 'made in': madeIn ?? '' },
			...{ 'usual A4 in Hz': usualA4, 'lowest note': lowest, 'highest note': highest, notes }
		}))
	);
}
