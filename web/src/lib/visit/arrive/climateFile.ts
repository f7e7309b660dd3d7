import { readCsv } from '$lib/ui/csv';
import { typedNumber } from '$lib/ui/typed';

/** A line of a logger's file. */
export interface LoggedLine {
	/** Milliseconds since 1970. */
	readonly at: number;
	readonly temperature: number | null;
	readonly humidity: number | null;
}

const NAMES = {
	at: /^(time|date|datetime|timestamp|when)/i,
	temperature: /temp|°c|celsius/i,
	humidity: /hum|rh|%/i
} as const;
/** A line every minute for two months. */
const MOST = { most: 100_000, bytes: 5_000_000 } as const;

/** "21,5 °C" and "21.5"; nothing where no figure stands. */
function figure(text = ''): number | null {
	const value = typedNumber(text.replace(/[°c%\s]+$/i, ''));
	return Number.isNaN(value) ? null : value;
}

/**
 * The lines of a climate logger's CSV, by the names of its columns: a time, a temperature in °C, a relative humidity in %.
 * @returns what is wrong, as a sentence, when it is none
 */
export function readClimateFile(
	text: string
): { readonly lines: readonly LoggedLine[] } | { readonly problem: string } {
	const table = readCsv(text, MOST);
	if ('problem' in table) return table;
	const [head, ...rows] = table.rows;
	const column = (name: keyof typeof NAMES) => head.findIndex((each) => NAMES[name].test(each.trim()));
	const [at, temperature, humidity] = [column('at'), column('temperature'), column('humidity')];
	if (at < 0) return { problem: 'No column is named time or date.' };
	if (temperature < 0 && humidity < 0) return { problem: 'No column is named temperature or humidity.' };
	const lines = rows.flatMap((row): LoggedLine[] => {
		const time = Date.parse((row[at] ?? '').trim());
		const line = { at: time, temperature: figure(row[temperature]), humidity: figure(row[humidity]) };
		return Number.isNaN(time) || (line.temperature === null && line.humidity === null) ? [] : [line];
	});
	if (lines.length === 0) return { problem: 'No line of this file has a time and a figure.' };
	return { lines };
}

/** The line nearest to a time. */
export function nearestLine(lines: readonly LoggedLine[], at: number): LoggedLine {
	return lines.reduce((best, each) => (Math.abs(each.at - at) < Math.abs(best.at - at) ? each : best));
}
