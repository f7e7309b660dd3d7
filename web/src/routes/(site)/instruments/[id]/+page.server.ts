import { workshopOf } from '$lib/server/auth/guard';
import { readStrings } from '$lib/server/db/stores/instruments';
import { instrumentOr404 } from '$lib/server/find';
import { visitsBefore } from '$lib/server/visits/before';
import { visitHistory } from '$lib/server/visits/history';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const workshopId = workshopOf(locals);
	const instrument = await instrumentOr404(workshopId, params.id);
	const [visits, read] = await Promise.all([
		visitHistory(workshopId, instrument),
		readStrings(workshopId, instrument.id)
	]);
	const { history, findings } = await visitsBefore(workshopId, instrument, visits);
	const { id, name, kind, location, maker, madeIn, lowest, highest, usualA4, notes } = instrument;
	return {
		instrument: { id, name, kind, location, maker, madeIn, lowest, highest, usualA4, notes },
		notesRead: read.length,
		visits,
		history,
		findings: findings ?? []
	};
}) satisfies PageServerLoad;
