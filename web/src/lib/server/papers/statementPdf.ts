import type { Content, TableCell } from 'pdfmake/interfaces';
import { LINED, pdfOf, SOFT, typed } from './pdf';
import type { Statement } from './statement';

/** A year at a place, on paper. */
export function statementPdf({ title, workshop, headline, instruments }: Statement): Promise<Buffer> {
	return pdfOf({
		pageMargins: [56, 56, 56, 56],
		info: { title: typed(title) },
		footer: (page, pages): Content => ({
			...{ text: `${page} of ${pages}`, alignment: 'right', color: SOFT, fontSize: 9, margin: [0, 20, 56, 0] }
		}),
		content: [
			{ text: typed(workshop), color: SOFT },
			{ text: typed(title), font: 'Serif', fontSize: 24, lineHeight: 1.1, margin: [0, 10, 0, 6] },
			{ text: typed(headline), margin: [0, 0, 0, 10] },
			...instruments.map(({ name, visits, next, work }): Content => ({
				unbreakable: visits.length < 12,
				stack: [
					{ text: typed(name), bold: true, margin: [0, 12, 0, 3] },
					visits.length
						? {
								layout: LINED,
								table: {
									widths: [70, 45, '*', 85],
									body: visits.map(([day, minutes, done, left]): TableCell[] => [
										typed(day),
										{ text: minutes, alignment: 'right' },
										typed(done),
										{ text: typed(left), alignment: 'right' }
									])
								}
							}
						: { text: 'No visit this year.', color: SOFT },
					...(work.length
						? [{ text: typed(`Still to be done: ${work.join('; ')}`), margin: [0, 3, 0, 0] } as Content]
						: []),
					...(next ? [{ text: typed(next), color: SOFT, margin: [0, 2, 0, 0] } as Content] : [])
				]
			}))
		]
	});
}
