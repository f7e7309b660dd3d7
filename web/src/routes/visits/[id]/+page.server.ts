import { redirect } from '@sveltejs/kit';
import { workshopOf } from '$lib/server/auth/guard';
import { visitOr404 } from '$lib/server/visits/open';
import type { PageServerLoad } from './$types';

/** A visit opens where it was left. */
export const load = (async ({ locals, params }) => {
	const { stage, finishedAt } = await visitOr404(workshopOf(locals), params.id);
	redirect(307, `/visits/${params.id}/${finishedAt ? 'close' : stage}`);
}) satisfies PageServerLoad;
