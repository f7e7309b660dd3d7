import bold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?inline';
import regular from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?inline';
import serif from '@fontsource/newsreader/files/newsreader-latin-400-normal.woff?inline';
import PdfPrinter from 'pdfmake';
import type { Content, CustomTableLayout, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces';

const fontOf = (inline: string) => Buffer.from(inline.slice(inline.indexOf(',') + 1), 'base64');
const FONTS = {
	Text: { normal: fontOf(regular), bold: fontOf(bold) },
	Serif: { normal: fontOf(serif) }
};
export const SOFT = '#57616b';
export const LINE = '#d9d1c2';

/** The printed faces have no accidentals of their own: notes are written as they are typed. */
export const typed = (text: string) => text.replace(/♯/g, '#').replace(/♭/g, 'b').replace(/′/g, "'").replace(/−/g, '-');

export const heading = (text: string): Content => ({ text: typed(text), bold: true, margin: [0, 14, 0, 4] });
export const LINED: CustomTableLayout = {
	hLineWidth: () => 0.5,
	vLineWidth: () => 0,
	hLineColor: () => LINE,
	paddingLeft: () => 0
};

/** A table of figures: the first column names, the others stand to the right. */
export function figures(head: readonly string[], rows: readonly (readonly string[])[]): Content {
	const cells = (row: readonly string[], extra: object = {}): TableCell[] =>
		row.map((cell, i) => ({ text: typed(cell), alignment: i ? 'right' : 'left', ...extra }));
	return {
		layout: LINED,
		table: {
			widths: head.map((_, i) => (i ? '*' : 'auto')),
			body: [cells(head, { color: SOFT }), ...rows.map((row) => cells(row))]
		}
	};
}

/** A document as bytes. */
export function pdfOf(definition: TDocumentDefinitions): Promise<Buffer> {
	return new Promise((resolve, reject) => {
		const document = new PdfPrinter(FONTS).createPdfKitDocument({
			defaultStyle: { font: 'Text', fontSize: 11, lineHeight: 1.25 },
			...definition
		});
		const parts: Buffer[] = [];
		document.on('data', (part: Buffer) => parts.push(part));
		document.on('end', () => resolve(Buffer.concat(parts)));
		document.on('error', reject);
		document.end();
	});
}
