import Papa from 'papaparse';

/*
 * Tables as text. A cell that a spreadsheet would take for a formula is written with an apostrophe before it, and read back
 * without.
 */

const FORMULA = /^'*[=+\-@\t\r]/;
const ESCAPED = /^'+[=+\-@\t\r]/;

type Cell = string | number;

const written = (cell: Cell): Cell => (typeof cell === 'string' && FORMULA.test(cell) ? `'${cell}` : cell);
const read = (cell: string) => (ESCAPED.test(cell) ? cell.slice(1) : cell);

/** @param columns in their order; all of the first row's unless given */
export function writeCsv<Row extends { readonly [Name in keyof Row]: Cell }>(
	rows: readonly Row[],
	columns?: readonly (keyof Row & string)[]
): string {
	const cells = rows.map((row) =>
		Object.fromEntries(Object.entries<Cell>(row).map(([name, cell]) => [name, written(cell)]))
	);
	return Papa.unparse(cells, { newline: '\n', ...(columns && { columns: [...columns] }) }) + '\n';
}

/** A table whose lines have no names of their own: a list as it stands on a page. */
export const writeLines = (lines: readonly (readonly Cell[])[]): string =>
	Papa.unparse(
		lines.map((line) => line.map(written)),
		{ newline: '\n' }
	) + '\n';

/** More columns than that no table here has, whoever wrote it. */
const MOST_COLUMNS = 200;

/**
 * The rows of a table that is no larger than it may be; empty ones are left out.
 * @param most rows that are read, the heading among them
 * @returns what is wrong, as a sentence, when it cannot be read
 */
export function readCsv(
	text: string,
	{ most, bytes }: { readonly most: number; readonly bytes: number }
): { readonly rows: readonly (readonly string[])[] } | { readonly problem: string } {
	const clean = withoutEmptyEnd(text.replace(/^\uFEFF/, '').trimStart());
	if (clean.length > bytes) return { problem: `This is larger than ${inSize(bytes)}. Take a shorter part of it.` };
	if (!/[^\s",;]/.test(clean)) return { problem: 'There is nothing to read.' };
	// Guessing looks at whole lines: a line of nothing but commas would take seconds.
	const line = clean.slice(0, clean.search(/\r?\n|$/));
	if (line.length > MOST_COLUMNS * 100) return { problem: 'The first line is too long to be the heading of a table.' };
	const { data } = Papa.parse<string[]>(clean, {
		skipEmptyLines: 'greedy',
		delimitersToGuess: ['\t', ';', ','],
		preview: most + 1
	});
	if (data.length > most) return { problem: `There are more than ${most} lines. Take a shorter part of it.` };
	if (data.some((row) => row.length > MOST_COLUMNS))
		return { problem: `A line has more than ${MOST_COLUMNS} columns. Check where its commas and quotes are.` };
	return { rows: data.map((row) => row.map(read)) };
}

/** Without the empty lines at the end; spaces that end the last cell are its own. */
function withoutEmptyEnd(text: string): string {
	const said = text.trimEnd().length;
	const lineEnd = text.slice(said).search(/[\r\n]/);
	return lineEnd < 0 ? text : text.slice(0, said + lineEnd);
}

function inSize(bytes: number): string {
	return bytes >= 1e6 ? `${bytes / 1e6} MB` : `${bytes / 1000} kB`;
}
