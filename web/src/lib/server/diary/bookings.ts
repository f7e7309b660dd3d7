import { error } from '@sveltejs/kit';
import { v7 as uuid } from 'uuid';
import { bookingTitle, endOf, overlap, type Booking, type BookingDraft } from '$lib/round/diary/booking';
import type { Who } from '../auth/session';
import { database } from '../db/connection';
import {
	bookingsBetween,
	createBookings,
	deleteBookings,
	getBooking,
	holdDiary,
	restOfSeries,
	toldBookings,
	updateBooking
} from '../db/stores/bookings';
import { noteChange } from '../db/stores/changes';
import { getInstrument, instrumentNames } from '../db/stores/instruments';
import { inTransaction } from '../db/transaction';
import { orNotFound } from '../find';
import type { Transaction } from 'sequelize';

type New = BookingDraft & { readonly id: string };

/**
 * Books visits together: all of them or none.
 * @throws 400 for what is not there, 409 where somebody would have to be in two places
 */
export function book(who: Who, drafts: readonly New[]): Promise<void> {
	return inTransaction(async (transaction) => {
		for (const draft of drafts) await checkDraft(who, draft);
		for (const userId of new Set(drafts.map((draft) => draft.userId)))
			if (!(await holdDiary(who.workshopId, userId, transaction)))
				error(400, { message: 'Whoever was to go no longer belongs to the workshop.' });
		// What was sent twice is kept once.
		const fresh: New[] = [];
		for (const draft of drafts) if (!(await getBooking(who.workshopId, draft.id, transaction))) fresh.push(draft);
		for (const [i, draft] of fresh.entries()) {
			await refuseOverlap(who, draft, draft.id, transaction);
			const twice = fresh.slice(0, i).find((other) => other.userId === draft.userId && overlap(other, draft));
			if (twice) error(409, { message: 'Two of these bookings take some of the same time.' });
		}
		if (fresh.length === 0) return;
		await createBookings(who.workshopId, fresh, drafts.length > 1 ? uuid() : null, transaction);
		await noteBooking(who, 'booked', fresh[0], transaction);
	});
}

/**
 * Books the next visit to an instrument, for whoever worked there; what was sent twice is kept once.
 * @returns why it cannot be, as a sentence
 */
export async function bookFromVisit(
	who: Who,
	instrumentId: string,
	{ id, ...said }: Pick<New, 'id' | 'startsAt' | 'minutes' | 'promised'>,
	transaction: Transaction
): Promise<string | undefined> {
	if (await getBooking(who.workshopId, id, transaction)) return undefined;
	const instrument = await getInstrument(who.workshopId, instrumentId, transaction);
	const draft = {
		...{ ...said, id, userId: who.userId, locationId: instrument?.locationId ?? null },
		...{ instruments: [instrumentId], purpose: '' }
	};
	await holdDiary(who.workshopId, who.userId, transaction);
	const clash = await clashOf(who, draft, id, transaction);
	if (clash) return clash;
	await createBookings(who.workshopId, [draft], null, transaction);
	await noteBooking(who, 'booked', draft, transaction);
	return undefined;
}

/** @throws as `book`; 409 too where somebody else has changed it meanwhile */
export function changeBooking(
	who: Who,
	id: string,
	draft: BookingDraft & { readonly version: number }
): Promise<{ version: number }> {
	return inTransaction(async (transaction) => {
		orNotFound(await getBooking(who.workshopId, id, transaction), 'booking');
		await checkDraft(who, draft);
		if (!(await holdDiary(who.workshopId, draft.userId, transaction)))
			error(400, { message: 'Whoever was to go no longer belongs to the workshop.' });
		await refuseOverlap(who, draft, id, transaction);
		if (!(await updateBooking(who.workshopId, id, draft, transaction)))
			error(409, { message: 'Somebody else has changed this booking meanwhile. It stands here as it is now.' });
		await noteBooking(who, 'booking changed', { ...draft, id }, transaction);
		return { version: draft.version + 1 };
	});
}

/** @param rest all of its series from then on, too */
export function cancelBooking(who: Who, id: string, rest: boolean): Promise<void> {
	return inTransaction(async (transaction) => {
		const booking = orNotFound(await getBooking(who.workshopId, id, transaction), 'booking');
		const all =
			rest && booking.seriesId
				? await restOfSeries(who.workshopId, booking.seriesId, new Date(booking.startsAt), transaction)
				: [booking];
		await deleteBookings(
			who.workshopId,
			all.map((each) => each.id),
			transaction
		);
		await noteBooking(who, 'booking cancelled', booking, transaction);
	});
}

async function checkDraft({ workshopId }: Who, { locationId, instruments }: BookingDraft): Promise<void> {
	const names = await instrumentNames(workshopId, instruments);
	if (instruments.some((id) => !names.has(id)))
		error(400, { message: 'One of its instruments is no longer in the register. Choose again.' });
	if (locationId && !(await database().models.locations.findOne({ where: { workshopId, id: locationId } })))
		error(400, { message: 'Its place is no longer there. Choose another.' });
}

/** What stands in a booking's way, as a sentence; undefined: nothing. */
async function clashOf(
	{ workshopId }: Who,
	draft: BookingDraft,
	id: string,
	transaction: Transaction
): Promise<string | undefined> {
	const { startsAt, userId } = draft;
	const there = await bookingsBetween(workshopId, new Date(startsAt), endOf(draft), { userId, transaction });
	const other = there.find((each) => each.id !== id);
	if (!other) return undefined;
	const [{ who, ...told }] = await toldBookings(workshopId, [other]);
	return `${who} is booked then already: ${bookingTitle(told)}.`;
}

async function refuseOverlap(who: Who, draft: BookingDraft, id: string, transaction: Transaction): Promise<void> {
	const clash = await clashOf(who, draft, id, transaction);
	if (clash) error(409, { message: clash });
}

async function noteBooking(
	who: Who,
	what: 'booked' | 'booking changed' | 'booking cancelled',
	booking: Pick<Booking, 'id' | 'startsAt' | 'instruments' | 'purpose'>,
	transaction: Transaction
): Promise<void> {
	const names = await instrumentNames(who.workshopId, booking.instruments);
	const name = [...names.values()].join(', ') || booking.purpose || 'a visit';
	await noteChange(who, { what, subjectId: booking.id, name }, transaction);
}
