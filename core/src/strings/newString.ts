import { weightedLine } from '../numeric/weighted';
import type { Hz } from '../units/quantity';
import type { StringTableRow } from './stringTable';
import { stringLoad, type StringData, type StringLoad } from './tension';
import { WIRE } from './wire';

/** The string to put on, and where its figures come from. */
export interface NewString {
	readonly data: StringData;
	/** The instrument's table; the tension of its neighbours on its own length; their diameter, between them. */
	readonly by: 'table' | 'tension' | 'neighbours';
	readonly load: StringLoad;
}

/** Neighbours further away in the scale say nothing of a string. */
const NEAR = 6;
/** Wire is drawn in steps of so much, in metres. */
const STOCK_STEP = 0.000025;
const toStock = (diameter: number) => Math.round(diameter / STOCK_STEP) * STOCK_STEP;

/**
 * What a broken string of a note is replaced by: as the table has it, else by its neighbours of the same kind.
 * @param rows what is known of the instrument's strings
 * @param pitchOf first partial that each note is to have
 * @returns undefined where nothing near it is known: then the broken one is measured
 */
export function newStringFor(
	note: number,
	rows: readonly StringTableRow[],
	pitchOf: (note: number) => Hz
): NewString | undefined {
	const own = rows.find((row) => row.note === note)?.data;
	if (own?.core !== undefined) return { data: own, by: 'table', load: stringLoad(own, pitchOf(note)) };
	// A winding is made for its string alone.
	if (own?.outer !== undefined) return undefined;
	const near = rows
		.filter(
			({ note: other, data }) => Math.abs(other - note) <= NEAR && data.core !== undefined && data.outer === undefined
		)
		.filter(({ data }) => own === undefined || data.material === own.material);
	if (near.length === 0) return undefined;
	const { material } = own ?? near[0].data;
	const between = (known: readonly (readonly [note: number, value: number])[]) => {
		const line = weightedLine(
			known.map(([at]) => at),
			known.map(([, value]) => value)
		);
		return line?.spread ? line.meanY + line.slope * (note - line.meanX) : known[0]?.[1];
	};
	const pulls = near.flatMap((row) => {
		const { tension } = stringLoad(row.data, pitchOf(row.note));
		return tension === undefined ? [] : [[row.note, tension] as const];
	});
	const { length } = own ?? {};
	const tension = length === undefined ? undefined : between(pulls);
	const core =
		tension !== undefined && length !== undefined
			? Math.sqrt((4 * tension) / (Math.PI * WIRE[material].density)) / (2 * length * pitchOf(note))
			: between(near.map((row) => [row.note, row.data.core!] as const));
	if (core === undefined) return undefined;
	const data = { ...own, material, core: toStock(core) };
	return { data, by: tension === undefined ? 'neighbours' : 'tension', load: stringLoad(data, pitchOf(note)) };
}

/** How a new string sinks: cents for each time over that its age grows e-fold, counted from a minute; its standard error. */
export interface Sinking {
	readonly perFold: number;
	readonly error: number;
}

/** Seconds after it was pulled up from which a new string is counted. */
const FROM_SECONDS = 60;
/** Logarithmic creep; set by us, wide on purpose: what is read of the string itself soon counts for more. */
export const USUAL_SINKING: Sinking = { perFold: 3, error: 1.5 };
/** What a reading of it errs by, with temperature and touch, in cents. */
const READING_ERROR = 0.5;
const folds = (seconds: number) => Math.log1p(Math.max(0, seconds) / FROM_SECONDS);

/**
 * How this string sinks, from readings since it was pulled up: a line over the logarithm of its age, with the usual rate as
 * what is known before (normal prior, closed form).
 * @param readings seconds since it was pulled up, and its pitch in cents, with nobody turning its pin meanwhile
 */
export function learnSinking(
	readings: readonly { readonly seconds: number; readonly cents: number }[],
	usual: Sinking = USUAL_SINKING
): Sinking {
	const line = weightedLine(
		readings.map(({ seconds }) => folds(seconds)),
		readings.map(({ cents }) => cents)
	);
	const known = line ? line.spread / READING_ERROR ** 2 : 0;
	if (!line || known === 0) return usual;
	const before = 1 / usual.error ** 2;
	return {
		perFold: Math.max(0, (before * usual.perFold - known * line.slope) / (before + known)),
		error: 1 / Math.sqrt(before + known)
	};
}

/** Cents that it sinks from one age to another, in seconds, and the standard error of that. */
export function sinks(
	{ perFold, error }: Sinking,
	from: number,
	to: number
): { readonly cents: number; readonly error: number } {
	const grown = folds(to) - folds(from);
	return { cents: perFold * grown, error: error * grown };
}

/** Cents sharp at which a string is left so that it is right in the middle of what it will sink. */
export function leftSharp(sinking: Sinking, from: number, to: number): number {
	return sinks(sinking, from, to).cents / 2;
}

const DAY = 86_400;
const YEAR = 365 * DAY;
/** Nobody comes again sooner; no string needs more visits. */
const SOONEST_DAYS = 5;
const MOST_VISITS = 3;

/**
 * Days after which somebody comes again, so that between two visits it never sinks by more than `most` cents; where it sinks
 * less than that within a year, nobody comes for it.
 * @param from its age when it is left, in seconds
 */
export function revisitDays(sinking: Sinking, from: number, most: number): readonly number[] {
	const days: number[] = [];
	let age = from;
	while (days.length < MOST_VISITS && sinks(sinking, age, YEAR).cents > most) {
		const next = FROM_SECONDS * Math.expm1(folds(age) + most / sinking.perFold);
		const day = Math.max(SOONEST_DAYS, Math.round(next / DAY));
		if (day >= YEAR / DAY) break;
		days.push(day);
		age = day * DAY;
	}
	return days;
}
