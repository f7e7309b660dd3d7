import { workshopOf } from '$lib/server/auth/guard';
import { loadScale } from '$lib/server/instruments/scale';
import type { PageServerLoad } from './$types';

export const load = (({ locals, params }) => loadScale(workshopOf(locals), params.id)) satisfies PageServerLoad;
