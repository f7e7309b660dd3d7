import type { ChosenDay, DayAsked, DayTask } from '@fendrel/core';
import { DAY, payWords, weightOf, worthOf, type RoundInstrument } from './round';

/** A month overdue counts as so many cents beyond the tolerance: for what nobody can foresee the drift of, and is due all the same. */
const CENTS_A_MONTH = 1;
/** What is overdue gains at least as much as one month would. */
const MONTH = 30 * DAY;

/** What a visit gains: by what it is expected to be off; by how long it is overdue where that is more. */
export function visitGain(instrument: RoundInstrument, now: number): number {
	if (instrument.open !== undefined) return 0;
	const { due } = instrument;
	const overdue = due === undefined || due > now ? 0 : 1 + (now - due) / MONTH;
	return Math.max(worthOf(instrument), weightOf(instrument) * CENTS_A_MONTH * overdue);
}

/** Why it is worth a visit, in words. */
export function gainWords(instrument: RoundInstrument, now: number): string {
	const [drift] = instrument.ahead;
	if (drift && worthOf(instrument) > 0) return payWords(instrument);
	const { due } = instrument;
	return due !== undefined && due < now ? `overdue for ${Math.max(1, Math.round((now - due) / DAY))} days` : '';
}

/** A day's work as it is asked for. @param placeIds in the order of the ways, from the second row on; instruments that stand nowhere are left out */
export function dayAsked(
	instruments: readonly RoundInstrument[],
	placeIds: readonly string[],
	ways: DayAsked['ways'],
	{ minutes, now, mostAt }: { readonly minutes: number; readonly now: number; readonly mostAt?: string }
): DayAsked {
	const isOpen = (id: string) => mostAt === undefined || mostAt === id;
	const tasksAt = (place: string): readonly DayTask[] =>
		instruments
			.filter(({ locationId }) => locationId === place)
			.map((instrument) => ({
				id: instrument.id,
				minutes: Math.max(1, instrument.minutes),
				gain: visitGain(instrument, now)
			}));
	return { stops: placeIds.map((id) => ({ id, tasks: isOpen(id) ? tasksAt(id) : [] })), ways, minutes };
}

/** A stop of the day with its hours, in minutes after one sets out. */
export interface TimedStop {
	readonly id: string;
	readonly way: number;
	readonly from: number;
	readonly minutes: number;
	readonly tasks: readonly DayTask[];
}

export function timedStops({ stops }: Pick<ChosenDay, 'stops'>): readonly TimedStop[] {
	let at = 0;
	return stops.map(({ id, way, tasks }) => {
		const from = Math.ceil(at + way);
		const minutes = tasks.reduce((sum, task) => sum + task.minutes, 0);
		at = from + minutes;
		return { id, way, from, minutes, tasks };
	});
}

/** How near a day is to the most that any day could gain. */
export function boundWords({ gain, bound }: Pick<ChosenDay, 'gain' | 'bound'>): string {
	if (gain === 0) return 'Nothing pays in a day like this.';
	const missing = (100 * (bound - gain)) / bound;
	return missing < 0.05 ? 'No other day gains more.' : `No other day gains more than ${Math.ceil(missing)} % more.`;
}

/** A week of a term, and what is tuned in it. */
export interface TermWeek {
	readonly week: number;
	readonly tasks: readonly DayTask[];
}

export interface TermAsked {
	readonly weeks: number;
	/** In each week. */
	readonly minutes: number;
	/** Today, from when on drift is foreseen; and the first visit. Milliseconds since 1970. */
	readonly now: number;
	readonly begins: number;
}

/** Those that gain anything within a term, in it or not. */
export const waitingIn = (instruments: readonly RoundInstrument[], asked: TermAsked): number =>
	new Set(termOf(instruments, asked, (tasks) => tasks).flatMap(({ tasks }) => tasks.map(({ id }) => id))).size;

/**
 * A house's instruments over some weeks, so many minutes in each: every week what gains most then, of those whose turn has not come;
 * what falls due in the term and gains nothing yet comes in its week.
 */
export function termOf(
	instruments: readonly RoundInstrument[],
	{ weeks, minutes, now, begins }: TermAsked,
	fill: (tasks: readonly DayTask[], minutes: number) => readonly DayTask[]
): readonly TermWeek[] {
	const taken = new Set<string>();
	return Array.from({ length: weeks }, (_, week) => {
		const at = begins + week * 7 * DAY;
		// What is foreseen is foreseen from today on.
		const ahead = Math.max(0, Math.round((at - now) / (7 * DAY)));
		const open = instruments.filter(({ id, open: visit }) => !taken.has(id) && visit === undefined);
		const tasks = open.map((instrument) => {
			const isDue = instrument.due !== undefined && instrument.due <= at + 7 * DAY;
			const gain = Math.max(worthOf(instrument, ahead), isDue ? weightOf(instrument) * CENTS_A_MONTH : 0);
			return { id: instrument.id, minutes: Math.max(1, instrument.minutes), gain };
		});
		const chosen = fill(
			tasks.filter(({ gain }) => gain > 0),
			minutes
		);
		for (const { id } of chosen) taken.add(id);
		return { week, tasks: chosen };
	});
}
