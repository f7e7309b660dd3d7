import { workshopOf } from '$lib/server/auth/guard';
import { instrumentOr404 } from '$lib/server/find';
import { instrumentBook } from '$lib/server/visits/books';

/** What a device holds of an instrument. */
export async function GET({ locals, params }) {
	const workshopId = workshopOf(locals);
	return Response.json(await instrumentBook(workshopId, await instrumentOr404(workshopId, params.id)));
}
