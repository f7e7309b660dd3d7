import { z } from 'zod';
import { readCsv } from '$lib/ui/csv';

/** Days that are read from one file: twenty years. */
const MOST_DAYS = 7400;
export const climateSchema = z.object({
	days: z
		.array(
			z.object({
				day: z.iso.date(),
				temperature: z.number().min(-60).max(80).nullable(),
				humidity: z.number().min(0).max(100).nullable()
			})
		)
		.min(1)
		.max(MOST_DAYS)
});
export type ClimateDay = z.infer<typeof climateSchema>['days'][number];

/** Two years of a logger that writes every ten minutes. */
const MOST_LINES = 120_000;
const BYTES = 8_000_000;
const DATE = /(\d{4})-(\d{1,2})-(\d{1,2})|(\d{1,2})[./](\d{1,2})[./](\d{4})/;
const figure = (text: string | undefined) => {
	const clean = (text ?? '')
		.trim()
		.replace(/[°%\sCFcf]/g, '')
		.replace(',', '.');
	return clean === '' || !Number.isFinite(Number(clean)) ? undefined : Number(clean);
};

/** The date of a line, day before month where it is not the year that comes first. */
function dayOf(text: string): string | undefined {
	const found = DATE.exec(text);
	if (!found) return undefined;
	const [, year, month, day, first, second, last] = found;
	const parts = year ? [year, month, day] : [last, second, first];
	const iso = [parts[0], parts[1].padStart(2, '0'), parts[2].padStart(2, '0')].join('-');
	return Number.isNaN(Date.parse(iso)) || new Date(iso).toISOString().slice(0, 10) !== iso ? undefined : iso;
}

const WORDS = {
	day: /date|time|day|datum|zeit/i,
	temperature: /temp|°c|celsius|°f|fahrenheit/i,
	humidity: /hum|rh|%|feuchte/i
} as const;

/**
 * A logger's series as days: the mean of each. Columns are known by their headings; Fahrenheit by its own.
 * @returns what is wrong, as a sentence, where it cannot be read
 */
export function readClimate(
	text: string
):
	| { readonly days: readonly ClimateDay[]; readonly lines: number; readonly left: number }
	| { readonly problem: string } {
	const table = readCsv(text, { most: MOST_LINES, bytes: BYTES });
	if ('problem' in table) return table;
	const [heading, ...lines] = table.rows;
	const column = (words: RegExp) => heading.findIndex((name) => words.test(name));
	const [day, temperature, humidity] = [column(WORDS.day), column(WORDS.temperature), column(WORDS.humidity)];
	if (day < 0) return { problem: 'No column is headed as a date or time.' };
	if (temperature < 0 && humidity < 0) return { problem: 'No column is headed as temperature or humidity.' };
	const inFahrenheit = /fahrenheit|°f|\(f\)/i.test(heading[temperature] ?? '');
	const all = new Map<string, { t: number[]; h: number[] }>();
	let left = 0;
	for (const line of lines) {
		const on = dayOf(line[day] ?? '');
		const t = temperature < 0 ? undefined : figure(line[temperature]);
		const h = humidity < 0 ? undefined : figure(line[humidity]);
		const celsius = t === undefined ? undefined : inFahrenheit ? ((t - 32) * 5) / 9 : t;
		const isT = celsius !== undefined && celsius >= -60 && celsius <= 80;
		const isH = h !== undefined && h >= 0 && h <= 100;
		if (!on || (!isT && !isH)) {
			left++;
			continue;
		}
		const of = all.get(on) ?? { t: [], h: [] };
		if (isT) of.t.push(celsius);
		if (isH) of.h.push(h);
		all.set(on, of);
	}
	if (all.size === 0) return { problem: 'No line has a date with a temperature or a humidity.' };
	if (all.size > MOST_DAYS) return { problem: `There are more than ${MOST_DAYS} days. Take a shorter part of it.` };
	const mean = (of: readonly number[]) =>
		of.length ? Number((of.reduce((sum, each) => sum + each, 0) / of.length).toFixed(2)) : null;
	const days = [...all].map(([on, { t, h }]) => ({ day: on, temperature: mean(t), humidity: mean(h) }));
	return { days: days.sort((a, b) => a.day.localeCompare(b.day)), lines: lines.length, left };
}
