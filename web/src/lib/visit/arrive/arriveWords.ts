import {
	barring,
	fallsDue,
	type Arrival,
	type Brief,
	type Climate,
	type Gate,
	type Played,
	type SeasonShare
} from '@fendrel/core';
import { differenceInCalendarDays, differenceInMonths, differenceInWeeks, parseISO } from 'date-fns';
import type { VisitBefore } from '$lib/device/books';
import type { Settings } from '$lib/settings/settings';
import { counted, fixed, onDay, signed } from '$lib/ui/format';
import { movedBy } from '../movedBy';

export const PLAYED_WORDS: Record<Played, string> = {
	daily: 'Played daily',
	weekly: 'Some times a week',
	seldom: 'Seldom',
	hardly: 'Hardly ever'
};

/** Changes of humidity that a piano feels, in per cent. */
export const FELT = 6;

/** "14 % damper than at the last visit"; nothing where a piano would not feel it. */
export function climateChange(now: Climate | undefined, before: Climate | undefined): string | undefined {
	if (now?.humidity == null || before?.humidity == null) return undefined;
	const by = Math.round(now.humidity - before.humidity);
	if (Math.abs(by) < FELT) return undefined;
	return `${Math.abs(by)} % ${by > 0 ? 'damper' : 'drier'} than at the last visit`;
}

/** What a change of humidity explains, in a sentence. */
export function climateExplains(
	now: Climate | undefined,
	before: Climate | undefined,
	expected: SeasonShare | undefined
): string | undefined {
	if (now?.humidity == null || before?.humidity == null) return undefined;
	const by = now.humidity - before.humidity;
	if (Math.abs(by) < FELT) return undefined;
	const figure = expected
		? ` Expect about ${signed(expected.explained)} ±${fixed(expected.error, 1)} cents there.`
		: '';
	return by > 0
		? `Damp air lifts the pitch, the tenor above the break most.${figure} What stands sharp now may go back by itself.`
		: `Dry air lets the pitch sink, the tenor above the break most.${figure} What stands flat now may come back by itself.`;
}

const SMALL = ['', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten', 'Eleven', 'Twelve'];
/** "Two years", as a sentence begins. */
function inWords(count: number, one: string): string {
	return SMALL[count] ? `${SMALL[count]} ${count === 1 ? one : `${one}s`}` : counted(count, one);
}

function sinceWords(last: VisitBefore, now: Date): string {
	const months = differenceInMonths(now, last.at);
	if (months >= 23) return `${inWords(Math.round(months / 12), 'year')} untouched`;
	if (months >= 2) return `${inWords(months, 'month')} since the last tuning`;
	return `${inWords(Math.max(1, differenceInWeeks(now, last.at)), 'week')} since the last tuning`;
}

/** "It fell due on 3 March, nineteen weeks ago": as was agreed, or by how it is played and how far it was moved last time. */
export function dueWords(last: VisitBefore, brief: Brief, { again, purposes }: Settings, now: Date): string {
	const end = last.at + 60_000 * last.minutes;
	const due = last.again
		? parseISO(last.again.on)
		: new Date(fallsDue(end, brief, again, movedBy(last.sections), purposes[brief.purpose].followUp));
	const days = differenceInCalendarDays(now, due);
	const day = onDay(due);
	if (Math.abs(days) < 14) return `It is due now (${day}).`;
	const weeks = counted(Math.round(Math.abs(days) / 7), 'week');
	return days > 0 ? `It fell due on ${day}, ${weeks} ago.` : `It falls due on ${day}, in ${weeks}.`;
}

/** What to know at the door, as plain sentences. */
export function arriveHeadline(
	last: VisitBefore | undefined,
	gates: readonly Gate[],
	{ climate, parts }: Pick<Arrival, 'climate' | 'parts'>,
	now: Date
): string {
	const barred = barring(gates);
	if (barred)
		return `${barred.part.name}: ${barred.grade.words.toLowerCase()}. ${barred.grade.gate === 'stop' ? 'Add no tension until it is repaired.' : 'Add no tension until somebody answers for it.'}`;
	const change = climateChange(climate, last?.climate);
	const since = last ? `${sinceWords(last, now)}${change ? `, ${change}` : ''}.` : 'Nobody has tuned it here before.';
	return `${since} ${parts.size ? 'Sound it out next.' : 'Look it over before you promise anything.'}`;
}
