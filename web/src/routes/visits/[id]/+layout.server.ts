import { workshopOf } from '$lib/server/auth/guard';
import { loadVisit } from '$lib/server/visits/open';
import type { LayoutServerLoad } from './$types';

export const load = (({ locals, params }) => loadVisit(workshopOf(locals), params.id)) satisfies LayoutServerLoad;
