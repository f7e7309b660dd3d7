import { redirect } from '@sveltejs/kit';
import { workshopOf } from '$lib/server/auth/guard';
import { loadCurveSheet } from '$lib/server/visits/curveSheet';
import type { PageServerLoad } from './$types';

/** A finished visit has only its record. */
export const load = (async ({ parent, params, locals }) => {
	const { visit } = await parent();
	if (visit.finishedAt) redirect(307, `/visits/${params.id}/close`);
	return loadCurveSheet(workshopOf(locals), params.id);
}) satisfies PageServerLoad;
