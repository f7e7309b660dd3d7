import { redirect } from '@sveltejs/kit';
import type { PageLoad } from './$types';

/** A visit opens where it was left. */
export const load = (async ({ parent }) => {
	const { visit } = (await parent()).open;
	redirect(307, `/visits/${visit.id}/${visit.finishedAt ? 'close' : visit.stage}`);
}) satisfies PageLoad;
