import bold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?inline';
import regular from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?inline';
import serif from '@fontsource/newsreader/files/newsreader-latin-400-normal.woff?inline';
import PdfPrinter from 'pdfmake';
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { OwnersPage } from '$lib/visit/plan/ownersPage';

const fontOf = (inline: string) => Buffer.from(inline.slice(inline.indexOf(',') + 1), 'base64');
const FONTS = {
	Text: { normal: fontOf(regular), bold: fontOf(bold) },
	Serif: { normal: fontOf(serif) }
};
/** The printed faces have no accidentals of their own: notes are written as they are typed. */
const typed = (text: string) => text.replace(/♯/g, '#').replace(/♭/g, 'b').replace(/′/g, "'");
const SOFT = '#57616b';
const LINE = '#d9d1c2';

/** The plan on paper. */
export function ownersPdf(page: OwnersPage): Promise<Buffer> {
	const heading = (text: string): Content => ({ text, bold: true, margin: [0, 14, 0, 4] });
	const rows = page.table.rows.map((row): TableCell[] =>
		row.map((cell, i) => ({ text: typed(cell), alignment: i ? 'right' : 'left' }))
	);
	const head = page.table.head.map((cell, i): TableCell => ({
		text: typed(cell),
		color: SOFT,
		alignment: i ? 'right' : 'left'
	}));
	const lined = {
		hLineWidth: () => 0.5,
		vLineWidth: () => 0,
		hLineColor: () => LINE,
		paddingLeft: () => 0
	};
	const definition: TDocumentDefinitions = {
		pageMargins: [56, 56, 56, 56],
		info: { title: typed(`${page.instrument}: plan of ${page.day}`) },
		defaultStyle: { font: 'Text', fontSize: 11, lineHeight: 1.25 },
		content: [
			{ text: typed(page.instrument), bold: true },
			{ text: typed([page.where, page.day].filter(Boolean).join('; ')), color: SOFT },
			{ text: typed(page.headline), font: 'Serif', fontSize: 24, lineHeight: 1.1, margin: [0, 14, 0, 10] },
			{
				layout: lined,
				table: {
					widths: ['*', 'auto'],
					body: page.reasons.map(({ text, figure }): TableCell[] => [
						typed(text),
						{ text: typed(figure), bold: true, alignment: 'right' }
					])
				}
			},
			heading('What is to be done'),
			{ ol: page.steps.map(typed) },
			heading('How it stands'),
			{ layout: lined, table: { widths: page.table.head.map((_, i) => (i ? '*' : 'auto')), body: [head, ...rows] } },
			heading('What to know'),
			{ ul: page.risks.map(typed) }
		]
	};
	return new Promise((resolve, reject) => {
		const document = new PdfPrinter(FONTS).createPdfKitDocument(definition);
		const parts: Buffer[] = [];
		document.on('data', (part: Buffer) => parts.push(part));
		document.on('end', () => resolve(Buffer.concat(parts)));
		document.on('error', reject);
		document.end();
	});
}
