import { workshopOf } from '$lib/server/auth/guard';
import { visitBundle } from '$lib/server/visits/books';

/** What a device holds of a visit and its instrument. */
export async function GET({ locals, params }) {
	return Response.json(await visitBundle(workshopOf(locals), params.id));
}
