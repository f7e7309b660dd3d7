import { addDays, addMinutes } from 'date-fns';
import { v7 as uuid } from 'uuid';
import { createBookings } from '../db/stores/bookings';
import { saveContact } from '../db/stores/contacts';
import { listInstruments } from '../db/stores/instruments';
import { listPlaces, savePlace, saveWay } from '../db/stores/locations';
import { inTransaction } from '../db/transaction';
import { DEMO_BOOKINGS, DEMO_PLACES, DEMO_WAYS } from './scenario';

/** Where one drives to, whom one rings up, and what is booked around a day. */
export async function loadDiary(workshopId: string, userId: string, today: Date): Promise<void> {
	const [places, instruments] = await Promise.all([listPlaces(workshopId), listInstruments(workshopId)]);
	const placeOf = (name: string) => places.find((place) => place.name === name)!;
	await inTransaction(async (transaction) => {
		for (const { name, contacts, ...said } of DEMO_PLACES) {
			const { id, ...place } = placeOf(name);
			await savePlace(workshopId, id, { ...place, ...said }, transaction);
			for (const contact of contacts)
				await saveContact(workshopId, uuid(), { ...contact, locationId: id, version: 0 }, transaction);
		}
		for (const [from, to, minutes] of DEMO_WAYS)
			await saveWay(workshopId, placeOf(from).id, placeOf(to).id, minutes, transaction);
		for (const { day, at, minutes, names, purpose, promised } of DEMO_BOOKINGS) {
			const of = names.map((name) => instruments.find((instrument) => instrument.name === name)!);
			// The demo's day begins at nine.
			const startsAt = addMinutes(addDays(today, day), at - 9 * 60).toISOString();
			const draft = { id: uuid(), userId, locationId: of[0].locationId, instruments: of.map(({ id }) => id) };
			await createBookings(workshopId, [{ ...draft, startsAt, minutes, purpose, promised }], null, transaction);
		}
	});
}
