import { z } from 'zod';
import { workshopOf } from '$lib/server/auth/guard';
import { temperamentBySlug } from '$lib/server/db/stores/temperaments';
import type { PageServerLoad } from './$types';

const asked = z.object({
	from: z.string().max(80).catch('equal'),
	root: z.coerce.number().int().min(0).max(11).catch(0)
});

/** The temperament that a design begins from, and the note that it is laid from. */
export const load = (async ({ locals, url }) => {
	const { from, root } = asked.parse(Object.fromEntries(url.searchParams));
	return { from: await temperamentBySlug(workshopOf(locals), from), root };
}) satisfies PageServerLoad;
