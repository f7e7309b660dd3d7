import { z } from 'zod';
import { workshopOf } from '$lib/server/auth/guard';
import { shelfOf } from '$lib/server/db/stores/shelf';

const FOUND = 20;
const asked = z.object({ find: z.string().max(120).catch('') });

/** The first instruments of the register that match some words. */
export async function GET({ locals, url }) {
	const { find } = asked.parse({ find: url.searchParams.get('find') ?? '' });
	const found = await shelfOf(workshopOf(locals), { find, after: '', most: FOUND });
	return Response.json({ instruments: found.map(({ id, name, place }) => ({ id, name, place })) });
}
