import { Op, type Transaction } from 'sequelize';
import { wayFromHome } from '$lib/places/ways';
import type { Booking, BookingDraft, ToldBooking } from '$lib/round/diary/booking';
import { database } from '../connection';
import type { BookingRow } from '../rows';
import { namesOf } from './accounts';
import { instrumentNames } from './instruments';
import { listPlaces } from './locations';

const told = ({
	id,
	userId,
	locationId,
	instruments,
	startsAt,
	minutes,
	purpose,
	promised,
	seriesId,
	version
}: BookingRow): Booking => ({
	...{ id, userId, locationId, minutes, purpose, promised, seriesId, version },
	instruments: [...instruments],
	startsAt: startsAt.toISOString()
});

/** The longest that one takes: it may have begun so long before. */
const LONGEST_MS = 12 * 3_600_000;

/** Bookings that take some of a time, in order. @param userId of this person only */
export async function bookingsBetween(
	workshopId: string,
	from: Date,
	to: Date,
	{ userId, transaction }: { readonly userId?: string; readonly transaction?: Transaction } = {}
): Promise<Booking[]> {
	const rows = await database().models.bookings.findAll({
		where: {
			workshopId,
			startsAt: { [Op.lt]: to, [Op.gt]: new Date(from.getTime() - LONGEST_MS) },
			...(userId && { userId })
		},
		order: [
			['startsAt', 'ASC'],
			['id', 'ASC']
		],
		transaction
	});
	return rows
		.map((row) => row.get())
		.filter(({ startsAt, minutes }) => startsAt.getTime() + minutes * 60_000 > from.getTime())
		.map(told);
}

export async function getBooking(
	workshopId: string,
	id: string,
	transaction?: Transaction
): Promise<Booking | undefined> {
	const row = await database().models.bookings.findOne({ where: { workshopId, id }, transaction });
	return row ? told(row.get()) : undefined;
}

/** Those of a series from a moment on. */
export async function restOfSeries(
	workshopId: string,
	seriesId: string,
	from: Date,
	transaction: Transaction
): Promise<Booking[]> {
	const rows = await database().models.bookings.findAll({
		where: { workshopId, seriesId, startsAt: { [Op.gte]: from } },
		transaction
	});
	return rows.map((row) => told(row.get()));
}

/** Whoever books for somebody waits until the last booking for the same person is kept. @returns whether there is such a person */
export async function holdDiary(workshopId: string, userId: string, transaction: Transaction): Promise<boolean> {
	const held = await database().models.users.findOne({
		where: { workshopId, id: userId },
		attributes: ['id'],
		transaction,
		lock: transaction.LOCK.UPDATE
	});
	return held !== null;
}

export async function createBookings(
	workshopId: string,
	drafts: readonly (BookingDraft & { readonly id: string })[],
	seriesId: string | null,
	transaction: Transaction
): Promise<void> {
	const rows = drafts.map((draft) => ({
		...draft,
		...{ workshopId, seriesId, version: 1, changedAt: new Date(), startsAt: new Date(draft.startsAt) }
	}));
	await database().models.bookings.bulkCreate(rows, { transaction });
}

/** @returns false where somebody else has written over that version meanwhile */
export async function updateBooking(
	workshopId: string,
	id: string,
	{ version, startsAt, ...draft }: BookingDraft & { readonly version: number },
	transaction: Transaction
): Promise<boolean> {
	const [changed] = await database().models.bookings.update(
		{ ...draft, startsAt: new Date(startsAt), version: version + 1, changedAt: new Date() },
		{ where: { workshopId, id, version }, transaction }
	);
	return changed > 0;
}

export async function deleteBookings(
	workshopId: string,
	ids: readonly string[],
	transaction: Transaction
): Promise<void> {
	await database().models.bookings.destroy({ where: { workshopId, id: [...ids] }, transaction });
}

/** Where they are, who goes and what is worked on, in words. */
export async function toldBookings(workshopId: string, bookings: readonly Booking[]): Promise<ToldBooking[]> {
	if (bookings.length === 0) return [];
	const [people, names, places] = await Promise.all([
		namesOf(workshopId),
		instrumentNames(
			workshopId,
			bookings.flatMap(({ instruments }) => instruments)
		),
		listPlaces(workshopId)
	]);
	const at = new Map(places.map((place) => [place.id, place]));
	return bookings.map((booking) => {
		const place = at.get(booking.locationId ?? '');
		return {
			...booking,
			...{ place: place?.name ?? '', town: place?.town ?? '', entry: place?.entry ?? '' },
			fromHome: place ? wayFromHome(place) : 0,
			who: people.get(booking.userId) ?? '',
			named: booking.instruments.flatMap((id) => (names.has(id) ? [{ id, name: names.get(id)! }] : []))
		};
	});
}
