import { signedInOf } from '$lib/server/auth/guard';
import { listContacts } from '$lib/server/db/stores/contacts';
import { listInstruments } from '$lib/server/db/stores/instruments';
import { knownWays, listPlaces } from '$lib/server/db/stores/locations';
import { climateSpan } from '$lib/server/db/stores/placeClimate';
import { orNotFound } from '$lib/server/find';
import { byName } from '$lib/ui/format';
import { wayBetween, wayKey } from '$lib/places/ways';
import { statementYears } from '$lib/server/papers/statement';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const { workshopId } = signedInOf(locals);
	const [places, contacts, instruments, ways, air, years] = await Promise.all([
		listPlaces(workshopId),
		listContacts(workshopId, params.id),
		listInstruments(workshopId),
		knownWays(workshopId),
		climateSpan(workshopId, params.id),
		statementYears(workshopId, params.id)
	]);
	const place = orNotFound(
		places.find(({ id }) => id === params.id),
		'place'
	);
	return {
		place,
		contacts,
		...{ air, years },
		places: places.map(({ id, name, town }) => ({ id, name, town })),
		instruments: instruments
			.filter(({ locationId }) => locationId === place.id)
			.sort((a, b) => byName(a.name, b.name))
			.map(({ id, name, kind, maker }) => ({ id, name, kind, maker })),
		ways: places
			.filter(({ id }) => id !== place.id)
			.map((other) => ({
				...{ id: other.id, name: other.name, minutes: ways.get(wayKey(place.id, other.id)) ?? null },
				estimated: wayBetween(place, other, new Map())
			}))
	};
}) satisfies PageServerLoad;
