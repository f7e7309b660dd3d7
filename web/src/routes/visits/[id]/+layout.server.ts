import { workshopOf } from '$lib/server/auth/guard';
import { loadVisit } from '$lib/server/visits/open';
import type { LayoutServerLoad } from './$types';

export const load = (({ locals, params, url }) => {
	// Naming the path has this run again from stage to stage: readings have come in since.
	void url.pathname;
	return loadVisit(workshopOf(locals), params.id);
}) satisfies LayoutServerLoad;
