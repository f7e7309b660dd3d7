import { error } from '@sveltejs/kit';
import { workshopOf } from '$lib/server/auth/guard';
import { getInstrument, readStrings } from '$lib/server/db/stores/instruments';
import { visitHistory } from '$lib/server/visits/history';
import type { PageServerLoad } from './$types';

const NOT_HERE = { message: 'There is no such instrument in your workshop.' };

export const load = (async ({ locals, params }) => {
	const workshopId = workshopOf(locals);
	const instrument = (await getInstrument(workshopId, params.id)) ?? error(404, NOT_HERE);
	const [visits, read] = await Promise.all([
		visitHistory(workshopId, instrument),
		readStrings(workshopId, instrument.id)
	]);
	const { id, name, kind, place, maker, madeIn, lowest, highest, usualA4, notes } = instrument;
	return {
		instrument: { id, name, kind, place, maker, madeIn, lowest, highest, usualA4, notes },
		notesRead: read.length,
		visits
	};
}) satisfies PageServerLoad;
