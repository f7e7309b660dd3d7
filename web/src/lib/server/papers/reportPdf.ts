import type { Content, TableCell } from 'pdfmake/interfaces';
import type { Move } from '$lib/charts/moves';
import type { OwnersReport } from '$lib/visit/close/report';
import { movesSvg } from './movesSvg';
import { figures, heading, LINED, pdfOf, SOFT, typed } from './pdf';

/** What a report shows besides what it says. */
export interface ReportPictures {
	readonly records: readonly Move[];
	readonly lowest: number;
	readonly highest: number;
	/** As data addresses. */
	readonly photos: readonly string[];
}

const listOf = (title: string, items: readonly string[]): Content[] =>
	items.length ? [heading(title), { ul: items.map(typed) }] : [];

/** What was done, for the owner, on paper. */
export function reportPdf(report: OwnersReport, { records, lowest, highest, photos }: ReportPictures): Promise<Buffer> {
	return pdfOf({
		pageMargins: [56, 56, 56, 56],
		info: { title: typed(`${report.instrument}: tuning of ${report.day}`) },
		content: [
			{ text: typed(report.instrument), bold: true },
			{ text: typed([report.where, report.day, report.who].filter(Boolean).join('; ')), color: SOFT },
			{ text: typed(report.headline), font: 'Serif', fontSize: 24, lineHeight: 1.1, margin: [0, 14, 0, 10] },
			...(records.length
				? [
						heading('Before and after'),
						{ text: 'How far each note stood from its place (rings), and how far now (dots), in cents:', color: SOFT },
						{
							text: 'hundredths of a semitone.',
							color: SOFT,
							margin: [0, 0, 0, 4] as [number, number, number, number]
						},
						{ svg: movesSvg(records, lowest, highest), width: 480 }
					]
				: []),
			figures(report.table.head, report.table.rows),
			heading('What was done'),
			{
				layout: LINED,
				table: {
					widths: ['auto', '*'],
					body: report.done.map(([term, text]): TableCell[] => [{ text: term, color: SOFT }, typed(text)])
				}
			},
			...listOf('What you said', report.said),
			...listOf('Advice', report.advice),
			...listOf('Still to be done', report.left),
			...(photos.length ? [heading('Photos'), { columns: photos.map((image) => ({ image, fit: [115, 115] })) }] : []),
			heading('The next visit'),
			typed(report.next)
		] as Content[]
	});
}
