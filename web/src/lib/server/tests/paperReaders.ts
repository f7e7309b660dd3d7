import { inflateSync } from 'node:zlib';
import jsQR from 'jsqr';
import { extractText, getDocumentProxy } from 'unpdf';

/* Papers as others read them. */

/** What a PDF says. */
export async function textOf(pdf: Uint8Array): Promise<string> {
	const { text } = await extractText(await getDocumentProxy(new Uint8Array(pdf)), { mergePages: true });
	return text.replace(/\s+/g, ' ');
}

/** Rectangles that a PDF draws: its streams are deflated, and "x y width height re" adds one. */
function rectangles(pdf: Uint8Array): readonly (readonly [x: number, y: number, width: number, height: number])[] {
	const bytes = Buffer.from(pdf);
	const found: [number, number, number, number][] = [];
	for (let at = bytes.indexOf('stream\n'); at >= 0; at = bytes.indexOf('stream\n', at)) {
		const from = at + 'stream\n'.length;
		const to = bytes.indexOf('\nendstream', from);
		at = to + '\nendstream'.length;
		let drawn: string;
		try {
			drawn = inflateSync(bytes.subarray(from, to)).toString('latin1');
		} catch {
			continue;
		}
		for (const [, ...figures] of drawn.matchAll(/(-?[\d.]+) (-?[\d.]+) (-?[\d.]+) (-?[\d.]+) re\b/g))
			found.push(figures.map(Number) as [number, number, number, number]);
	}
	return found;
}

/** Pixels to a module's side, and modules left white around the code. */
const MODULE = 4;
const QUIET = 4;

/** What a camera reads from the code of a PDF's first page. */
export function codeOf(pdf: Uint8Array): string | undefined {
	const drawn = rectangles(pdf);
	const side = Math.min(...drawn.map(([, , width]) => width));
	const modules = drawn.filter(([, , , height]) => height < 1.5 * side);
	const [left, top] = [0, 1].map((axis) => Math.min(...modules.map((each) => each[axis])));
	const across = Math.round((Math.max(...modules.map(([x, , width]) => x + width)) - left) / side);
	const size = (across + 2 * QUIET) * MODULE;
	const pixels = new Uint8ClampedArray(size * size * 4).fill(255);
	for (const [x, y, width] of modules) {
		const [from, to] = [x, x + width].map((each) => (Math.round((each - left) / side) + QUIET) * MODULE);
		const row = (Math.round((y - top) / side) + QUIET) * MODULE;
		for (let py = row; py < row + MODULE; py++)
			for (let px = from; px < to; px++) pixels.fill(0, 4 * (py * size + px), 4 * (py * size + px) + 3);
	}
	return jsQR(pixels, size, size)?.data;
}
