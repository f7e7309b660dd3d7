import { redirect } from '@sveltejs/kit';
import { workshopOf } from '$lib/server/auth/guard';
import { temperamentOr404 } from '$lib/server/find';
import type { PageServerLoad } from './$types';

/** Only the workshop's own can be changed; others are the start of a new design. */
export const load = (async ({ locals, params }) => {
	const temperament = await temperamentOr404(workshopOf(locals), params.slug);
	if (!temperament.own) redirect(303, `/temperaments/design?from=${temperament.slug}`);
	return { temperament };
}) satisfies PageServerLoad;
