import { error } from '@sveltejs/kit';
import { ownersPage } from '$lib/server/telephone/looks';
import type { PageServerLoad } from './$types';

/** The page of an owner who plays ten notes; whoever has the address sees nothing else of the workshop. */
export const load = (async ({ params, setHeaders }) => {
	const asked = await ownersPage(params.token);
	if (!asked)
		error(404, { message: 'This link does not work any more.', advice: 'Ask your technician for a new one.' });
	setHeaders({ 'Cache-Control': 'private, no-store', 'X-Robots-Tag': 'noindex' });
	return { asked };
}) satisfies PageServerLoad;
