import { workshopOf } from '$lib/server/auth/guard';
import { loadTuning } from '$lib/server/tuning/choice';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, url }) => ({
	choice: await loadTuning(workshopOf(locals), Object.fromEntries(url.searchParams))
})) satisfies PageServerLoad;
