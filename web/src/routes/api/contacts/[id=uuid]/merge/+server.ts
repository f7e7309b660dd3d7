import { intoSchema } from '$lib/places/place';
import { signedInOf } from '$lib/server/auth/guard';
import { readJson } from '$lib/server/json';
import { mergeContacts } from '$lib/server/places/keep';

/** Two contacts are one person. */
export async function POST({ request, locals, params }) {
	const { into } = await readJson(request, intoSchema);
	await mergeContacts(signedInOf(locals), params.id, into);
	return Response.json({ into });
}
