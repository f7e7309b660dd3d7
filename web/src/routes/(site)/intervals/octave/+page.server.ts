import { workshopOf } from '$lib/server/auth/guard';
import { loadTuning } from '$lib/server/tuning/choice';
import { octavesOf, orTypical } from '$lib/tuning/choice';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, url }) => {
	const choice = await loadTuning(workshopOf(locals), Object.fromEntries(url.searchParams));
	return orTypical(choice, (compass) => octavesOf(compass).length > 0);
}) satisfies PageServerLoad;
