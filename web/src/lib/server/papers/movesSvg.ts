import { noteName } from '@fendrel/core';
import { moves, type Move } from '$lib/charts/moves';
import { signed } from '$lib/ui/format';
import { LINE, SOFT, typed } from './pdf';

const SIZE = { width: 480, height: 190, margin: { top: 10, right: 8, bottom: 20, left: 34 } } as const;
const BEFORE = '#a8721a';
const AFTER = '#1d6a63';

/** Before and after, note by note, as a picture for paper: rings before, dots after. */
export function movesSvg(records: readonly Move[], lowest: number, highest: number): string {
	const { width, height, margin } = SIZE;
	const chart = moves(records, lowest, highest, SIZE);
	const text = (x: number, y: number, said: string, anchor: string) =>
		`<text x="${x.toFixed(1)}" y="${y.toFixed(1)}" font-size="8" fill="${SOFT}" text-anchor="${anchor}">${typed(said)}</text>`;
	const line = (y: number, of: string, wide: number) =>
		`<line x1="${margin.left}" x2="${width - margin.right}" y1="${y.toFixed(1)}" y2="${y.toFixed(1)}" stroke="${of}" stroke-width="${wide}"/>`;
	const marks = chart.marks.map(({ x, found, left }) => {
		const at = x.toFixed(1);
		const before = `<circle cx="${at}" cy="${found.toFixed(1)}" r="1.7" fill="none" stroke="${BEFORE}" stroke-width="0.8"/>`;
		if (left === undefined) return before;
		const move = `<line x1="${at}" x2="${at}" y1="${found.toFixed(1)}" y2="${left.toFixed(1)}" stroke="${LINE}" stroke-width="0.8"/>`;
		return `${move}${before}<circle cx="${at}" cy="${left.toFixed(1)}" r="1.7" fill="${AFTER}"/>`;
	});
	return [
		`<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">`,
		...chart.yTicks.map(({ value, y }) => line(y, LINE, 0.4) + text(margin.left - 4, y + 3, signed(value, 0), 'end')),
		line(chart.zero, SOFT, 0.8),
		...chart.xTicks.map(({ note, x }) => text(x, height - 6, noteName(note), 'middle')),
		...marks,
		'</svg>'
	].join('');
}
