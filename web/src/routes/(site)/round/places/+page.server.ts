import { signedInOf } from '$lib/server/auth/guard';
import { listContacts } from '$lib/server/db/stores/contacts';
import { listInstruments } from '$lib/server/db/stores/instruments';
import { listPlaces } from '$lib/server/db/stores/locations';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals }) => {
	const { workshopId } = signedInOf(locals);
	const [places, contacts, instruments] = await Promise.all([
		listPlaces(workshopId),
		listContacts(workshopId),
		listInstruments(workshopId)
	]);
	const there = (id: string) => instruments.filter(({ locationId }) => locationId === id).length;
	return { places: places.map((place) => ({ ...place, instruments: there(place.id) })), contacts };
}) satisfies PageServerLoad;
