import type { NextVisit } from '@fendrel/core';
import { parseISO } from 'date-fns';
import ical, { ICalAlarmType, ICalCalendarMethod } from 'ical-generator';

/** So long before the day a calendar says so, in seconds: a week. */
const REMIND = 7 * 86_400;

/** The next visit as a calendar takes it: a whole day, with a reminder a week before. */
export function nextCalendar(
	visitId: string,
	instrument: { readonly name: string; readonly location?: { readonly name: string; readonly town: string } },
	{ on, why }: NextVisit,
	now: Date
): string {
	const { name, location } = instrument;
	const calendar = ical({
		name: 'Fendrel',
		method: ICalCalendarMethod.PUBLISH,
		prodId: { company: 'Fendrel', product: 'Visits' }
	});
	const event = calendar.createEvent({
		id: `${visitId}-next`,
		start: parseISO(on),
		allDay: true,
		stamp: now,
		summary: `Tune ${name}`,
		description: `It falls due: ${why}.`,
		...(location && { location: [location.name, location.town].filter(Boolean).join(', ') })
	});
	event.createAlarm({ type: ICalAlarmType.display, triggerBefore: REMIND });
	return calendar.toString();
}
