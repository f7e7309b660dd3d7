import { workshopOf } from '$lib/server/auth/guard';
import { listInstruments } from '$lib/server/db/stores/instruments';
import { listLocations } from '$lib/server/db/stores/locations';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals }) => {
	const workshopId = workshopOf(locals);
	const [instruments, places] = await Promise.all([listInstruments(workshopId), listLocations(workshopId)]);
	return {
		taken: instruments.map(({ name }) => name),
		places: places.map(({ name, town }) => ({ name, town }))
	};
}) satisfies PageServerLoad;
