import type { TableCell } from 'pdfmake/interfaces';
import type { OwnersPage } from '$lib/visit/plan/ownersPage';
import { figures, heading, LINED, pdfOf, SOFT, typed } from './pdf';

/** The plan on paper. */
export function planPdf(page: OwnersPage): Promise<Buffer> {
	return pdfOf({
		pageMargins: [56, 56, 56, 56],
		info: { title: typed(`${page.instrument}: plan of ${page.day}`) },
		content: [
			{ text: typed(page.instrument), bold: true },
			{ text: typed([page.where, page.day].filter(Boolean).join('; ')), color: SOFT },
			{ text: typed(page.headline), font: 'Serif', fontSize: 24, lineHeight: 1.1, margin: [0, 14, 0, 10] },
			{
				layout: LINED,
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
			figures(page.table.head, page.table.rows),
			heading('What to know'),
			{ ul: page.risks.map(typed) }
		]
	});
}
