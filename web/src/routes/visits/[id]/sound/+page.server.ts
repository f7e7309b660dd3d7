import { redirect } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

/** A finished visit has only its record. */
export const load = (async ({ parent, params }) => {
	const { visit } = await parent();
	if (visit.finishedAt) redirect(307, `/visits/${params.id}/close`);
}) satisfies PageServerLoad;
