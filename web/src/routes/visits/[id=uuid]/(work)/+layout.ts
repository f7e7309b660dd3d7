import { redirect } from '@sveltejs/kit';
import type { LayoutLoad } from './$types';

/** A finished visit has only its record. */
export const load = (async ({ parent, params, route }) => {
	const { visit } = (await parent()).open;
	// Every stage asks anew: another device may have finished the visit meanwhile.
	if (route.id && visit.finishedAt) redirect(307, `/visits/${params.id}/close`);
}) satisfies LayoutLoad;
