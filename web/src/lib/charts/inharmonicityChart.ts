import { extent } from 'd3-array';
import { scaleLog } from 'd3-scale';
import { alongNotes, BAND, noteAxis } from './noteAxis';
import type { Frame } from './frame';
import { decimal } from '$lib/ui/format';

/** B of one note as known, and how surely. */
export interface KnownB {
	readonly note: number;
	readonly b: number;
	/** Standard error, in the units of B. */
	readonly error: number;
	readonly by: 'strike' | 'table';
	/** Does not go with its neighbours. */
	readonly odd: boolean;
}

export interface InharmonicityData {
	readonly lowest: number;
	readonly highest: number;
	readonly known: readonly KnownB[];
	/** Model by note from the lowest upwards, and the standard error of log B of what is used. */
	readonly model: readonly number[];
	readonly used: readonly number[];
	readonly logErrors: readonly number[];
	readonly breakNote: number | undefined;
}

/** Lower than this, lines for 2 and 5 would crowd. */
const LOW_PICTURE = 220;

/** Inharmonicity along the keyboard on a log axis. */
export function inharmonicityChart(data: InharmonicityData, frame: Frame) {
	const { lowest, highest, known, model, used, logErrors, breakNote } = data;
	const { height, margin } = frame;
	const axis = noteAxis(lowest, highest, frame);
	const [low = 1e-5, high = 1e-1] = extent([...model, ...known.map(({ b }) => b)]) as [number, number];
	const y = scaleLog()
		.domain([low / 1.6, high * 1.6])
		.range([height - margin.bottom, margin.top])
		.clamp(true);
	const { path, band } = alongNotes(axis.x, lowest, y);
	return {
		...axis,
		model: path(model),
		band: band(used.map((b, i) => [b * Math.exp(-BAND * logErrors[i]), b * Math.exp(BAND * logErrors[i])])),
		points: known.map(({ note, b, error, by, odd }) => ({
			note,
			by,
			odd,
			below: b < model[note - lowest],
			x: axis.x(note),
			y: y(b),
			top: y(b + BAND * error),
			bottom: y(Math.max(b - BAND * error, b / 10))
		})),
		breakX: breakNote === undefined ? undefined : axis.x(breakNote - 0.5),
		ticks: (height < LOW_PICTURE ? [1] : [1, 2, 5])
			.flatMap((digit) => [-6, -5, -4, -3, -2, -1].map((power) => digit * 10 ** power))
			.filter((value) => value >= low / 1.6 && value <= high * 1.6)
			.sort((a, b) => a - b)
			.map((value) => ({ value, y: y(value) }))
	};
}

/** "2 × 10⁻⁴" as technicians write it. */
export function inharmonicityName(value: number): string {
	const power = Math.floor(Math.log10(value) + 1e-9);
	const digits = [...String(-power)].map((digit) => '⁰¹²³⁴⁵⁶⁷⁸⁹'[Number(digit)]).join('');
	return `${decimal(String(Number((value / 10 ** power).toFixed(1))))}·10⁻${digits}`;
}
