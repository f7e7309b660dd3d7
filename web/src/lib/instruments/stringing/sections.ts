import type { Result } from '$lib/ui/result';
import { noteName, readNote, stringingProblem, type Choir, type Stringing } from '@fendrel/core';

/** A section as it is typed: where it ends, and what its notes have. */
export interface SectionRow {
	readonly to: string;
	readonly strings: number;
	readonly wound: boolean;
}

export function rowsOf({ sections }: Stringing): SectionRow[] {
	return sections.map(({ to, strings, wound }) => ({ to: noteName(to), strings, wound }));
}

/** What the rows say, or what is wrong with them, as a sentence. */
export function readRows(
	rows: readonly SectionRow[],
	{ lowest, highest, choirs }: { readonly lowest: number; readonly highest: number; readonly choirs: readonly Choir[] }
): Result<Stringing> {
	const sections = [];
	for (const [i, { to, strings, wound }] of rows.entries()) {
		// The last section ends where the keyboard does.
		const note = i === rows.length - 1 ? highest : readNote(to);
		if (note === undefined) return { problem: `“${to}” is not a note. Write where the section ends, such as E2.` };
		sections.push({ to: note, strings, wound });
	}
	const stringing = { lowest, sections, choirs };
	const problem = stringingProblem(stringing, highest, noteName);
	return problem ? { problem } : { value: stringing };
}

/** A section parted in two halves, alike to begin with. */
export function parted(
	rows: readonly SectionRow[],
	at: number,
	lowest: number,
	highest: number
): readonly SectionRow[] {
	const from = at === 0 ? lowest : (readNote(rows[at - 1].to) ?? lowest) + 1;
	const to = at === rows.length - 1 ? highest : (readNote(rows[at].to) ?? highest);
	if (to <= from) return rows;
	const middle = { ...rows[at], to: noteName(Math.floor((from + to - 1) / 2)) };
	return [...rows.slice(0, at), middle, ...rows.slice(at)];
}

/** Without a section: the one below it takes its notes, or the one above when it is the lowest. */
export function withoutRow(rows: readonly SectionRow[], at: number): readonly SectionRow[] {
	if (rows.length === 1) return rows;
	const left = rows.filter((_, i) => i !== at);
	return at === 0 ? left : left.map((row, i) => (i === at - 1 ? { ...row, to: rows[at].to } : row));
}
