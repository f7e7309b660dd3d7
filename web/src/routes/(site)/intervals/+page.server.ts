import { workshopOf } from '$lib/server/auth/guard';
import { loadTuning } from '$lib/server/tuning/choice';
import { loadListened } from '$lib/server/tuning/listened';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, url }) => {
	const workshopId = workshopOf(locals);
	const choice = await loadTuning(workshopId, Object.fromEntries(url.searchParams));
	return { choice, listened: await loadListened(workshopId, choice) };
}) satisfies PageServerLoad;
