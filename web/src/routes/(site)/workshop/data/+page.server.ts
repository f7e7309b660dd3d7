import { workshopOf } from '$lib/server/auth/guard';
import { holdingsOf } from '$lib/server/db/stores/holdings';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals }) => ({
	holdings: await holdingsOf(workshopOf(locals))
})) satisfies PageServerLoad;
