/*
 * Draws the sharp, flat and natural signs that the application's faces lack, in their weights and widths, and writes
 * web/src/fonts/. Run it again after a change here: node scripts/accidentals.mjs
 */
// @ts-check
import { mkdirSync, writeFileSync } from 'node:fs';
import opentype from 'opentype.js';

const OUT = new URL('../web/src/fonts/', import.meta.url);
/** Stems and bars of the text faces at weights 400 and 700, in thousandths of an em. */
const WEIGHTS = { regular: { stem: 74, bar: 84 }, bold: { stem: 112, bar: 132 } };
/** Advance of every sign: as narrow as a letter's own company allows, or as wide as every mono glyph. */
const WIDTHS = { text: undefined, mono: 620 };

/**
 * A polygon, always turned the same way: overlapping parts are one.
 * @param {import('opentype.js').Path} path @param {number[][]} points
 */
function polygon(path, points) {
	points.forEach(([x, y], i) => (i === 0 ? path.moveTo(x, y) : path.lineTo(x, y)));
	path.close();
}

/**
 * A bar that rises from left to right.
 * @param {import('opentype.js').Path} path @param {number} left @param {number} right @param {number} y
 * @param {number} rise @param {number} thick
 */
const slanted = (path, left, right, y, rise, thick) =>
	polygon(path, [
		[left, y],
		[right, y + rise],
		[right, y + rise + thick],
		[left, y + thick]
	]);

/** @param {{ stem: number, bar: number }} weight */
function flat({ stem, bar }) {
	const path = new opentype.Path();
	const left = 58;
	const from = left + stem;
	const right = from + 300;
	path.moveTo(left, 780);
	path.lineTo(left, -24);
	path.bezierCurveTo(right - 130, 110, right, 215, right, 345);
	path.bezierCurveTo(right, 425, right - 50, 492, right - 130, 492);
	path.bezierCurveTo(right - 195, 492, from + 30, 460, from, 412);
	path.lineTo(from, 780);
	path.close();
	const inner = right - bar;
	path.moveTo(from, 112);
	path.lineTo(from, 330);
	path.bezierCurveTo(from + 30, 376, from + 70, 492 - bar * 0.92, right - 150, 492 - bar * 0.92);
	path.bezierCurveTo(inner - 30, 492 - bar * 0.92, inner, 385, inner, 340);
	path.bezierCurveTo(inner, 262, inner - 85, 172, from, 112);
	path.close();
	return { path, width: right + 40 };
}

/** @param {{ stem: number, bar: number }} weight */
function sharp({ stem, bar }) {
	const path = new opentype.Path();
	const [left, width] = [44, 440];
	const thin = stem * 0.76;
	for (const [x, y] of [
		[left + width * 0.24, -70],
		[left + width * 0.76 - thin, -20]
	])
		polygon(path, [
			[x, y],
			[x + thin, y],
			[x + thin, y + 780],
			[x, y + 780]
		]);
	for (const y of [170, 414]) slanted(path, left, left + width, y, 76, bar * 0.94);
	return { path, width: left * 2 + width };
}

/** @param {{ stem: number, bar: number }} weight */
function natural({ stem, bar }) {
	const path = new opentype.Path();
	const [left, width] = [58, 290];
	polygon(path, [
		[left, 110],
		[left + stem, 110],
		[left + stem, 800],
		[left, 800]
	]);
	polygon(path, [
		[left + width - stem, -60],
		[left + width, -60],
		[left + width, 630],
		[left + width - stem, 630]
	]);
	for (const y of [130, 430]) slanted(path, left, left + width, y, 52, bar * 1.06);
	return { path, width: left * 2 + width };
}

/** @type {readonly [string, number, typeof flat][]} */
const SIGNS = [
	['flat', 0x266d, flat],
	['natural', 0x266e, natural],
	['sharp', 0x266f, sharp]
];

mkdirSync(OUT, { recursive: true });
for (const [style, weight] of Object.entries(WEIGHTS))
	for (const [company, advance] of Object.entries(WIDTHS)) {
		const glyphs = SIGNS.map(([name, unicode, draw]) => {
			const { path, width } = draw(weight);
			const shift = advance === undefined ? 0 : (advance - width) / 2;
			for (const command of /** @type {Record<string, any>[]} */ (path.commands))
				for (const key of ['x', 'x1', 'x2']) if (key in command) command[key] += shift;
			return new opentype.Glyph({ name, unicode, advanceWidth: advance ?? width, path });
		});
		const notdef = new opentype.Glyph({ name: '.notdef', advanceWidth: 500, path: new opentype.Path() });
		const font = new opentype.Font({
			familyName: 'Fendrel accidentals',
			styleName: `${company} ${style}`,
			unitsPerEm: 1000,
			ascender: 950,
			descender: -290,
			glyphs: [notdef, ...glyphs]
		});
		writeFileSync(new URL(`accidentals-${company}-${style}.otf`, OUT), Buffer.from(font.toArrayBuffer()));
	}
