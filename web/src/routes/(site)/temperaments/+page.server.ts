import { workshopOf } from '$lib/server/auth/guard';
import { libraryAsked, libraryPage } from '$lib/server/temperaments/library';
import type { PageServerLoad } from './$types';

export const load = (({ locals, url }) =>
	libraryPage(workshopOf(locals), libraryAsked.parse(Object.fromEntries(url.searchParams)))) satisfies PageServerLoad;
