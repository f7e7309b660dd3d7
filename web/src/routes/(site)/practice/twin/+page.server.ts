import { signedInOf } from '$lib/server/auth/guard';
import { twinVisits } from '$lib/server/practice/twinVisits';
import { loadTuning } from '$lib/server/tuning/choice';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, url }) => {
	const { workshopId } = signedInOf(locals);
	const asked = Object.fromEntries(url.searchParams);
	const choice = await loadTuning(workshopId, asked);
	const { instrument } = choice;
	return { choice, against: asked.against, visits: instrument ? await twinVisits(workshopId, instrument.id) : [] };
}) satisfies PageServerLoad;
