import { offsetsFromEqual, fileClassName } from '@fendrel/core';
import { z } from 'zod';
import { readCsv, writeCsv } from '$lib/ui/csv';
import { typedNumber } from '$lib/ui/typed';
import { draftSchema, MOST_AT_ONCE, written, type Draft } from './temperamentDraft';

/** What a file brought: all of it, or every reason against it with its line. */
export type Imported =
	| { readonly drafts: readonly { readonly draft: Draft; readonly line: number }[] }
	| { readonly problems: readonly string[] };

const FORMAT = 'fendrel-temperaments';
const VERSION = 1;
/** A table of as many temperaments as are read at once is far smaller. */
const LARGEST = 2_000_000;
/** Decimals of a cent in CSV: a thousand times finer than anybody hears. */
const DECIMALS = 6;
const PLAIN = Array.from({ length: 12 }, (_, i) => fileClassName(i));
const OTHER_NAMES: Readonly<Record<string, string>> = {
	Db: 'C#',
	'D#': 'Eb',
	Gb: 'F#',
	Ab: 'G#',
	'A#': 'Bb'
};

const describe = ({ name, family, uses, period, character, goodFor, source }: Draft) => ({
	name,
	family,
	uses,
	period,
	character,
	goodFor,
	source
});

export function toJson(drafts: readonly Draft[]): string {
	const temperaments = drafts.map((draft) => ({ ...describe(draft), tuning: written(draft.tuning) }));
	return JSON.stringify({ format: FORMAT, version: VERSION, temperaments }, null, '\t') + '\n';
}

/** One row each: name, offsets from equal in cents with A at 0, description. */
export function toCsv(drafts: readonly Draft[]): string {
	const rows = drafts.map((draft) => {
		const offsets = offsetsFromEqual(draft);
		const { uses, goodFor, ...rest } = describe(draft);
		return {
			name: rest.name,
			...Object.fromEntries(PLAIN.map((name, i) => [name, Number(offsets[i].toFixed(DECIMALS)) + 0])),
			family: rest.family,
			uses: uses.join('; '),
			period: rest.period,
			character: rest.character,
			'good for': goodFor,
			source: rest.source
		};
	});
	return writeCsv(rows);
}

/** Reads either format; which one it is shows at the first character. */
export function fromText(text: string): Imported {
	const clean = text.replace(/^\uFEFF/, '');
	if (clean.trim() === '') return { problems: ['The file is empty.'] };
	return /^\s*[{[]/.test(clean) ? fromJson(clean) : fromCsv(clean);
}

const fileSchema = z.object({
	format: z.literal(FORMAT, { error: `The file does not say "format": "${FORMAT}".` }),
	version: z.literal(VERSION, { error: `The file is of another version than ${VERSION}.` }),
	temperaments: z
		.array(z.unknown(), { error: 'The file has no list of temperaments.' })
		.min(1, 'The file holds no temperament.')
		.max(MOST_AT_ONCE, `The file holds more than ${MOST_AT_ONCE} temperaments.`)
});

function fromJson(text: string): Imported {
	let parsed: unknown;
	try {
		parsed = JSON.parse(text);
	} catch (error) {
		return { problems: [`Line ${lineOfFault(text, String(error))}: this is not well-formed JSON.`] };
	}
	const file = fileSchema.safeParse(parsed);
	if (!file.success) return { problems: file.error.issues.map(({ message }) => message) };
	const lines = linesOfNames(text);
	return collect(
		file.data.temperaments.map((value, i) => ({ value, line: lines[i] ?? 1, name: nameOf(value) ?? `entry ${i + 1}` }))
	);
}

const nameOf = (value: unknown) => z.object({ name: z.string() }).safeParse(value).data?.name;

/** The parser says where it stopped, as a position or as a line, or only that the text ended. */
function lineOfFault(text: string, message: string): number {
	const line = /line (\d+)/.exec(message);
	if (line) return Number(line[1]);
	const position = /position (\d+)/.exec(message);
	return text.slice(0, position ? Number(position[1]) : text.length).split('\n').length;
}

function linesOfNames(text: string): number[] {
	return text.split('\n').flatMap((line, i) => (/"name"\s*:/.test(line) ? [i + 1] : []));
}

function fromCsv(text: string): Imported {
	const table = readCsv(text, { most: MOST_AT_ONCE + 1, bytes: LARGEST });
	if ('problem' in table) return { problems: [table.problem] };
	const [head, ...lines] = table.rows;
	const columns = head.map((header) => {
		const plain = header.trim().replace('♯', '#').replace('♭', 'b');
		return OTHER_NAMES[plain] ?? (PLAIN.includes(plain) ? plain : plain.toLowerCase());
	});
	const missing = ['name', ...PLAIN].filter((column) => !columns.includes(column));
	if (missing.length)
		return {
			problems: [
				`Line 1: the column${missing.length > 1 ? 's' : ''} ${missing.join(', ')} missing. The first line names the columns: name, C, C#, D, Eb and so on.`
			]
		};
	if (lines.length === 0) return { problems: ['The file holds no temperament.'] };
	const data = lines.map((cells): Partial<Record<string, string>> =>
		Object.fromEntries(columns.map((column, i) => [column, cells[i]]))
	);
	return collect(
		data.map((row, i) => ({
			// Quoted texts may run over lines; for files with a row a line this is exact.
			line: i + 2,
			name: row.name?.trim() || `entry ${i + 1}`,
			value: {
				name: row.name ?? '',
				...(row.family?.trim() ? { family: row.family.trim() } : {}),
				uses: (row.uses ?? '')
					.split(';')
					.map((use) => use.trim())
					.filter((use) => use !== ''),
				period: row.period ?? '',
				character: row.character ?? '',
				goodFor: row['good for'] ?? '',
				source: row.source ?? '',
				tuning: { by: 'cents', offsets: PLAIN.map((column) => centsOf(row[column])) }
			},
			faults: PLAIN.flatMap((column) =>
				centsOf(row[column]) === undefined
					? [`the offset of ${column} is "${row[column] ?? ''}", not a number of cents`]
					: []
			)
		}))
	);
}

function centsOf(text: string | undefined): number | undefined {
	const value = typedNumber(text ?? '');
	return Number.isNaN(value) ? undefined : value;
}

interface Entry {
	readonly value: unknown;
	readonly line: number;
	readonly name: string;
	readonly faults?: readonly string[];
}

/** All entries when every one is sound and every name is there once; else what is wrong, line by line. */
function collect(entries: readonly Entry[]): Imported {
	const problems: string[] = [];
	const drafts: { draft: Draft; line: number }[] = [];
	const firstLine = new Map<string, number>();
	for (const { value, line, name, faults = [] } of entries) {
		const where = `Line ${line}, ${name}: `;
		const known = firstLine.get(name.toLowerCase());
		if (known !== undefined) problems.push(`${where}the same name stands in line ${known} already.`);
		else firstLine.set(name.toLowerCase(), line);
		if (faults.length) {
			problems.push(`${where}${faults.join('; ')}.`);
			continue;
		}
		const draft = draftSchema.safeParse(value);
		if (draft.success) drafts.push({ draft: draft.data, line });
		else for (const { message } of draft.error.issues) problems.push(where + message);
	}
	return problems.length ? { problems } : { drafts };
}
