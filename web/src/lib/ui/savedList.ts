import { writeLines } from './csv';
import { figureOf } from './format';

/** What stands in a cell, without what is pressed there; a field's value. */
function said(cell: Element): string | number {
	const field = cell.querySelector<HTMLInputElement | HTMLSelectElement>('input:not([type=hidden]), select');
	if (field instanceof HTMLSelectElement) return field.selectedOptions[0]?.text ?? '';
	if (field?.type === 'checkbox') return field.checked ? 'yes' : '';
	if (field) return field.value;
	const copy = cell.cloneNode(true) as Element;
	for (const each of copy.querySelectorAll('button, svg, .sr-only')) each.remove();
	const text = (copy.textContent ?? '').replace(/\s+/g, ' ').trim();
	const figure = figureOf(text);
	return Number.isNaN(figure) ? text : figure;
}

/** Cells of a line; one that reaches over several columns stands in the first of them. */
const cellsOf = (line: HTMLTableRowElement): (string | number)[] =>
	[...line.cells].flatMap((cell) => [said(cell), ...Array<string>(cell.colSpan - 1).fill('')]);

/** The tables of a page, and its lists that are marked as such (`data-list`). */
export const listsOf = (page: ParentNode): readonly HTMLElement[] =>
	[...page.querySelectorAll<HTMLElement>('main table, main [data-list]')].filter(
		(each) => each.getBoundingClientRect().height > 0
	);

/** What a list is called: by itself, or by what it stands under. */
export function listName(list: HTMLElement): string {
	const { list: own } = list.dataset;
	const caption = list.querySelector('caption')?.textContent;
	const part = list.closest('section[aria-label]');
	const heading = list.closest('section, main')?.querySelector('h1, h2')?.textContent;
	const name = own ?? list.getAttribute('aria-label') ?? caption ?? part?.getAttribute('aria-label') ?? heading;
	return name?.replace(/\s+/g, ' ').trim() || 'List';
}

const isSaid = (cell: string | number | undefined) => cell !== undefined && cell !== '';

/** A list as it stands on the page, as CSV; columns and lines without a word are left out. */
export function asCsv(list: HTMLElement): string {
	const lines =
		list instanceof HTMLTableElement
			? [...list.rows].map(cellsOf)
			: [...list.children].map((item) => [...(item.querySelector('a') ?? item).children].map(said));
	const wide = Math.max(0, ...lines.map(({ length }) => length));
	const told = Array.from({ length: wide }, (_, i) => i).filter((i) => lines.some((line) => isSaid(line[i])));
	return writeLines(lines.map((line) => told.map((i) => line[i] ?? '')).filter((line) => line.some(isSaid)));
}
