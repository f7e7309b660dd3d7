import { signedInOf } from '$lib/server/auth/guard';
import { readJson } from '$lib/server/json';
import { keepDraft } from '$lib/server/temperaments/keepDraft';
import { keepSchema } from '$lib/temperaments/temperamentDraft';

/** Keeps a new temperament in the workshop. */
export async function POST({ request, locals }) {
	const { draft, confirmed } = await readJson(request, keepSchema);
	return Response.json(await keepDraft(signedInOf(locals), draft, confirmed));
}
