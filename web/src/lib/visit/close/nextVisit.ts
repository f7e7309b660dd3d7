import { fallsDue, type NextVisit, type VisitReport } from '@fendrel/core';
import { addYears, format, isAfter, parseISO, subDays } from 'date-fns';
import type { InstrumentBook } from '$lib/device/books';
import { dueReason } from '$lib/settings/dueReason';
import { briefOf } from '../brief';
import { settingsOf } from '../workshopSettings';
import type { Account } from './account';

/** What the next date follows from, of any family. */
interface DueGround {
	readonly visit: { readonly startedAt: Date; readonly finishedAt: Date | null };
	readonly about: Pick<InstrumentBook, 'settings' | 'history'>;
	readonly record: { readonly report: Pick<VisitReport, 'arrival' | 'closing'> };
}

export const DAY_FORMAT = 'yyyy-MM-dd';

/** A day on which somebody may come again. */
export interface NextChoice extends NextVisit {
	readonly id: 'byUse' | 'bySeason';
}

/** Heating has been on, or off, for a month: months count from 0. */
const TURNED = [
	{ month: 4, day: 15, why: 'the heating has been off for a month' },
	{ month: 10, day: 15, why: 'the heating has been on for a month' }
] as const;
/** Earlier than that nobody comes for the season's sake. */
const SOONEST_DAYS = 60;

/** When it falls due by itself, and when the season has turned: what lies nearest to that. */
export function nextChoices(open: DueGround, { moved }: Pick<Account, 'moved'>, now: Date): readonly NextChoice[] {
	const settings = settingsOf(open);
	const brief = briefOf(open);
	const end = open.visit.finishedAt ?? now;
	const { followUp } = settings.purposes[brief.purpose];
	const due = new Date(fallsDue(end.getTime(), brief, settings.again, moved, followUp));
	const byUse = { id: 'byUse', on: format(due, DAY_FORMAT), why: dueReason(brief, settings, moved) } as const;
	if (moved >= followUp || brief.purpose === 'stage') return [byUse];
	const soonest = new Date(end.getTime() + SOONEST_DAYS * 86_400_000);
	const turns = [0, 1]
		.flatMap((years) =>
			TURNED.map(({ month, day, why }) => ({ at: addYears(new Date(end.getFullYear(), month, day), years), why }))
		)
		.filter(({ at }) => isAfter(at, soonest))
		.sort((a, b) => Math.abs(a.at.getTime() - due.getTime()) - Math.abs(b.at.getTime() - due.getTime()));
	return [byUse, { id: 'bySeason', on: format(turns[0].at, DAY_FORMAT), why: turns[0].why }];
}

/** The day that was agreed, or else on which it falls due. */
export function nextVisit(open: DueGround, account: Pick<Account, 'moved'>, now: Date): NextVisit {
	return open.record.report.closing.again ?? nextChoices(open, account, now)[0];
}

/** Nobody agrees on a day that is over. */
export function tooEarly(on: string, { visit }: Pick<DueGround, 'visit'>): boolean {
	return !isAfter(parseISO(on), subDays(visit.startedAt, 1));
}
