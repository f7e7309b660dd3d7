import { cardText, type CardFacts } from '@fendrel/core';
import { parseISO } from 'date-fns';
import type { Content } from 'pdfmake/interfaces';
import { fixed, inHz, onShortDay } from '$lib/ui/format';
import { pdfOf, SOFT, typed } from './pdf';
import { temperatureWords } from '$lib/ui/measures';

/** A card of A7, lying, in points; what its code measures across. */
const CARD = { width: 297.64, height: 209.76, margin: 14, code: 150 } as const;

/** The card inside the lid: what the next one who comes must know, and the rest in a code that any camera reads. */
export function cardPdf(facts: CardFacts, who: string): Promise<Buffer> {
	const { instrument, tuned, next, a4, temperament, temperature, humidity, cautions } = facts;
	const air = [
		...(temperature === undefined ? [] : [temperatureWords(temperature)]),
		...(humidity === undefined ? [] : [`${fixed(humidity, 0)} %`])
	].join(', ');
	const line = (term: string, text: string): Content => ({
		text: [{ text: `${term}  `, color: SOFT }, typed(text)],
		margin: [0, 0, 0, 1]
	});
	return pdfOf({
		pageSize: { width: CARD.width, height: CARD.height },
		pageMargins: CARD.margin,
		info: { title: typed(`${instrument}: card`) },
		defaultStyle: { font: 'Text', fontSize: 8, lineHeight: 1.15 },
		content: [
			{ text: typed(instrument), font: 'Serif', fontSize: 14, margin: [0, 0, 0, 4] },
			{
				columnGap: 10,
				columns: [
					{
						width: '*',
						stack: [
							{ text: `A4 = ${inHz(a4, 1)} Hz`, bold: true, fontSize: 12, margin: [0, 0, 0, 3] },
							line('tuned', onShortDay(parseISO(tuned))),
							...(next ? [line('next', onShortDay(parseISO(next)))] : []),
							...(who ? [line('by', who)] : []),
							line('in', `${temperament} temperament`),
							...(air ? [line('air', air)] : []),
							...cautions.map((caution): Content => ({ text: typed(caution), bold: true, margin: [0, 2, 0, 0] }))
						]
					},
					{
						width: CARD.code,
						stack: [
							{ qr: cardText(facts), fit: CARD.code, eccLevel: 'M' },
							{ text: 'Curve, temperament and cautions, as text', color: SOFT, fontSize: 6.5, margin: [0, 2, 0, 0] }
						]
					}
				]
			}
		]
	});
}
