import { A4_RANGE } from '@fendrel/core';
import { z } from 'zod';
import { workshopOf } from '$lib/server/auth/guard';
import { temperamentOr404 } from '$lib/server/find';
import type { PageServerLoad } from './$types';

/** What the address may ask for; anything else counts as not said. */
const query = z.object({
	root: z.coerce.number().int().min(0).max(11).catch(0),
	a4: z.coerce.number().min(A4_RANGE.lowest).max(A4_RANGE.highest).catch(440)
});

export const load = (async ({ locals, params, url }) => ({
	temperament: await temperamentOr404(workshopOf(locals), params.slug),
	...query.parse(Object.fromEntries(url.searchParams))
})) satisfies PageServerLoad;
