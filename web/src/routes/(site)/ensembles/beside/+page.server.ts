import { workshopOf } from '$lib/server/auth/guard';
import { besideGround } from '$lib/server/ensembles/beside';
import type { PageServerLoad } from './$types';

export const load = (({ locals, url }) =>
	besideGround(workshopOf(locals), Object.fromEntries(url.searchParams))) satisfies PageServerLoad;
