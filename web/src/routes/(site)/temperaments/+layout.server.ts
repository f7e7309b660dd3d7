import { workshopOf } from '$lib/server/auth/guard';
import { listTemperaments } from '$lib/server/db/stores/temperaments';
import type { LayoutServerLoad } from './$types';

/** Every page of this place works on the same list. */
export const load = (async ({ locals, depends }) => {
	depends('temperaments');
	return { temperaments: await listTemperaments(workshopOf(locals)) };
}) satisfies LayoutServerLoad;
