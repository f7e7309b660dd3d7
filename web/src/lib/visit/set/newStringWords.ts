import {
	leftSharp,
	learnSinking,
	revisitDays,
	sinks,
	WIRE,
	type NewString,
	type Reading,
	type Sinking
} from '@fendrel/core';
import { addDays, format } from 'date-fns';
import { fixed } from '$lib/ui/format';
import { lengthWords } from '$lib/ui/measures';

const BY: Record<NewString['by'], string> = {
	table: 'as the table has it',
	tension: 'by its length and its neighbours’ tension',
	neighbours: 'between its neighbours'
};
const DAY = 86_400;
/** Until somebody comes again a string may sink by as much, in cents. */
const MOST_SUNK = 8;
/** A string that was pulled up a moment ago has that age when the visit ends, in seconds. */
const VISIT_SECONDS = 3600;

/** "1.025 mm music wire, as the table has it". */
export function gaugeWords({ data, by }: NewString): string {
	const { core, outer, material } = data;
	const wound = outer ? `, wound to ${lengthWords(1000 * outer, 2)}` : '';
	return `${lengthWords(1000 * core!, 3)} ${WIRE[material].name}${wound}, ${BY[by]}`;
}

/** "812 N, 58 % of what it bears"; what nobody knows is left out. */
export function loadWords({ load: { tension, breakingShare } }: NewString): string {
	if (tension === undefined) return '';
	return `${fixed(tension, 0)} N${breakingShare === undefined ? '' : `, ${fixed(100 * breakingShare, 0)} % of what it bears`}`;
}

/** How a new string sinks, by what has been read of it since it was taken; and when somebody comes again for it. */
export interface Forecast {
	readonly sinking: Sinking;
	/** Readings it rests on, besides what is usual. */
	readonly rests: number;
	/** Cents sharp at which it is left. */
	readonly sharp: number;
	/** What it sinks by from the end of the visit to the first time somebody comes again. */
	readonly sunk: { readonly cents: number; readonly error: number };
	/** Days on which somebody comes again, as YYYY-MM-DD. */
	readonly on: readonly string[];
}

/** @param readings of the new string, oldest first; the first tells when it was pulled up */
export function forecast(readings: readonly Pick<Reading, 'at' | 'deviation'>[], takenAt: number, now: Date): Forecast {
	const pulled = readings[0]?.at ?? now.getTime();
	const still = readings.filter(({ at }) => at >= takenAt);
	const sinking = learnSinking(still.map(({ at, deviation }) => ({ seconds: (at - pulled) / 1000, cents: deviation })));
	const days = revisitDays(sinking, VISIT_SECONDS, MOST_SUNK);
	const until = (days[0] ?? 30) * DAY;
	return {
		sinking,
		rests: still.length > 1 ? still.length : 0,
		sharp: leftSharp(sinking, VISIT_SECONDS, until),
		sunk: sinks(sinking, VISIT_SECONDS, until),
		on: days.map((day) => format(addDays(now, day), 'yyyy-MM-dd'))
	};
}
