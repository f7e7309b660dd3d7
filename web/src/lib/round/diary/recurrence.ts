import { addDays, addMonths, addWeeks } from 'date-fns';
import { MOST_TOGETHER } from './booking';

export const RECURRENCES = ['once', 'weekly', 'fortnightly', 'monthly', 'half-yearly'] as const;
export type Recurrence = (typeof RECURRENCES)[number];
export const RECURRENCE_WORDS: Readonly<Record<Recurrence, string>> = {
	once: 'Once',
	weekly: 'Every week',
	fortnightly: 'Every two weeks',
	monthly: 'Every month',
	'half-yearly': 'Every half year'
};

const NTH: Readonly<Record<Recurrence, (from: Date, n: number) => Date>> = {
	once: (from) => from,
	weekly: addWeeks,
	fortnightly: (from, n) => addWeeks(from, 2 * n),
	// Counted from the first: the 31st stays the last of the month, and does not creep.
	monthly: addMonths,
	'half-yearly': (from, n) => addMonths(from, 6 * n)
};

/**
 * When it takes place, by the clock on the wall: at the same hour in summer and winter.
 * @param until the last day on which it may
 */
export function occurrences(from: Date, how: Recurrence, until: Date): readonly Date[] {
	if (how === 'once') return [from];
	const end = addDays(new Date(until.getFullYear(), until.getMonth(), until.getDate()), 1);
	const all: Date[] = [];
	for (let n = 0; n < MOST_TOGETHER; n++) {
		const at = NTH[how](from, n);
		if (at >= end) break;
		all.push(at);
	}
	return all;
}
