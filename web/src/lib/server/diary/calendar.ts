import { randomBytes } from 'node:crypto';
import { error } from '@sveltejs/kit';
import { addDays } from 'date-fns';
import ical, { ICalAlarmType, ICalCalendarMethod } from 'ical-generator';
import { bookingTitle, endOf, type ToldBooking } from '$lib/round/diary/booking';
import { digest, type Who } from '../auth/session';
import { bookingsBetween, toldBookings } from '../db/stores/bookings';
import { calendarLinksOf, endCalendarLink, readCalendarLink, saveCalendarLink } from '../db/stores/calendarLinks';
import { noteChange } from '../db/stores/changes';
import { listPlaces } from '../db/stores/locations';
import { namesOf } from '../db/stores/accounts';
import { inTransaction } from '../db/transaction';

/** A calendar holds so many days behind and ahead. */
const DAYS = { back: 30, ahead: 400 } as const;
/** So long before it begins a calendar says so, in seconds. */
const REMIND = 3600;
/** Addresses that somebody may have at once: one for each device that reads. */
const MOST_LINKS = 5;

/** Bookings as an iCalendar file (RFC 5545): each keeps its number, so that a calendar that reads again moves and does not double. */
export function calendarOf(
	bookings: readonly ToldBooking[],
	addresses: ReadonlyMap<string, { readonly address: string; readonly entry: string }>,
	now: Date
): string {
	const calendar = ical({
		name: 'Fendrel: visits',
		method: ICalCalendarMethod.PUBLISH,
		prodId: { company: 'Fendrel', product: 'Visits' },
		ttl: 3600
	});
	for (const booking of bookings) {
		const { id, startsAt, purpose, promised, place, town, version, named, locationId } = booking;
		const { address = '', entry = '' } = addresses.get(locationId ?? '') ?? {};
		const about = [
			purpose,
			named.length > 1 ? named.map(({ name }) => name).join(', ') : '',
			entry && `Getting in: ${entry}`,
			promised && `Promised: ${promised}`
		];
		const event = calendar.createEvent({
			...{ id, sequence: version, stamp: now },
			...{ start: new Date(startsAt), end: endOf(booking), summary: bookingTitle(booking) },
			description: about.filter(Boolean).join('\n'),
			location: [place, address, town].filter(Boolean).join(', ') || null
		});
		event.createAlarm({ type: ICalAlarmType.display, triggerBefore: REMIND });
	}
	return calendar.toString();
}

/** Somebody's bookings as a calendar reads them. */
export async function calendarFor(workshopId: string, userId: string, now: Date): Promise<string> {
	const bookings = await bookingsBetween(workshopId, addDays(now, -DAYS.back), addDays(now, DAYS.ahead), { userId });
	const places = await listPlaces(workshopId);
	const addresses = new Map(places.map(({ id, address, entry }) => [id, { address, entry }]));
	return calendarOf(await toldBookings(workshopId, bookings), addresses, now);
}

/** What a calendar reads at an address. @returns undefined where the address was withdrawn, or never was */
export async function calendarAt(token: string, now: Date): Promise<string | undefined> {
	const link = await readCalendarLink(digest(token));
	return link && calendarFor(link.workshopId, link.userId, now);
}

/** Somebody's addresses, without their secrets. */
export async function calendarAddresses({ userId }: Who) {
	const links = await calendarLinksOf(userId);
	return links.map(({ tokenHash, reader, madeAt, readAt }) => ({ id: tokenHash.slice(0, 16), reader, madeAt, readAt }));
}

/** Makes an address for one reader. @returns its secret, which is told this once */
export function openCalendar(who: Who, reader: string): Promise<{ readonly token: string }> {
	return inTransaction(async (transaction) => {
		const links = await calendarLinksOf(who.userId);
		if (links.length >= MOST_LINKS)
			error(409, { message: `You have ${MOST_LINKS} addresses already. Withdraw one that nobody reads any more.` });
		const token = randomBytes(24).toString('base64url');
		const { workshopId, userId } = who;
		await saveCalendarLink(
			{ tokenHash: digest(token), workshopId, userId, reader, madeAt: new Date(), readAt: null },
			transaction
		);
		await noteChange(who, { what: 'calendar opened', subjectId: userId, name: await nameOf(who) }, transaction);
		return { token };
	});
}

/** Nobody reads at this address any more. */
export function closeCalendar(who: Who, id: string): Promise<void> {
	return inTransaction(async (transaction) => {
		if (await endCalendarLink(who.userId, id, transaction))
			await noteChange(who, { what: 'calendar closed', subjectId: who.userId, name: await nameOf(who) }, transaction);
	});
}

const nameOf = async ({ workshopId, userId }: Who) => (await namesOf(workshopId)).get(userId) ?? '';
