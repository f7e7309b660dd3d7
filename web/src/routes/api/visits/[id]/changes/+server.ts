import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { workshopOf } from '$lib/server/auth/guard';
import { visitChanges } from '$lib/server/visits/books';

const querySchema = z.object({ since: z.coerce.number().int().min(0) });

/** What has happened in a visit since a device last asked. */
export async function GET({ locals, params, url }) {
	const query = querySchema.safeParse(Object.fromEntries(url.searchParams));
	if (!query.success) error(400, { message: 'Say since when, as a whole number.' });
	return Response.json(await visitChanges(workshopOf(locals), params.id, query.data.since));
}
