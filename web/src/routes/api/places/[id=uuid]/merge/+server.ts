import { intoSchema } from '$lib/places/place';
import { signedInOf } from '$lib/server/auth/guard';
import { readJson } from '$lib/server/json';
import { mergePlace } from '$lib/server/places/keep';

/** All that is here is at another place from now on. */
export async function POST({ request, locals, params }) {
	const { into } = await readJson(request, intoSchema);
	await mergePlace(signedInOf(locals), params.id, into);
	return Response.json({ into });
}
