import { redirect } from '@sveltejs/kit';
import type { PageLoad } from './$types';

/** A finished visit has only its record. */
export const load = (async ({ parent, params }) => {
	const { visit } = (await parent()).open;
	if (visit.finishedAt) redirect(307, `/visits/${params.id}/close`);
}) satisfies PageLoad;
