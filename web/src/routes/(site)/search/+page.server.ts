import { z } from 'zod';
import { workshopOf } from '$lib/server/auth/guard';
import { searchAll } from '$lib/server/db/stores/search';
import type { PageServerLoad } from './$types';

const asked = z.object({ find: z.string().max(120).catch('') });

export const load = (async ({ locals, url }) => {
	const { find } = asked.parse({ find: url.searchParams.get('find') ?? '' });
	return { find, found: await searchAll(workshopOf(locals), find) };
}) satisfies PageServerLoad;
