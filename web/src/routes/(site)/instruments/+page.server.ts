import { workshopOf } from '$lib/server/auth/guard';
import { lastVisits, listInstruments } from '$lib/server/db/stores/instruments';
import { openVisits } from '$lib/server/db/stores/visits';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals }) => {
	const workshopId = workshopOf(locals);
	const [instruments, last, open] = await Promise.all([
		listInstruments(workshopId),
		lastVisits(workshopId),
		openVisits(workshopId)
	]);
	const lastOf = new Map(last.map((visit) => [visit.instrumentId, visit]));
	const openOf = new Map(open.map((visit) => [visit.instrumentId, visit.id]));
	return {
		instruments: instruments.map(({ id, name, kind, maker, madeIn, usualA4, location }) => ({
			id,
			name,
			kind,
			maker,
			madeIn,
			usualA4,
			location,
			last: lastOf.get(id),
			openVisit: openOf.get(id)
		}))
	};
}) satisfies PageServerLoad;
