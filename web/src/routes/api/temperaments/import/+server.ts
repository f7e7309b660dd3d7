import { signedInOf } from '$lib/server/auth/guard';
import { readJson } from '$lib/server/json';
import { importText } from '$lib/server/temperaments/keepDraft';
import { importSchema } from '$lib/temperaments/temperamentDraft';

/** Brings in a file's temperaments: all or none. */
export async function POST({ request, locals }) {
	const { text, ...answers } = await readJson(request, importSchema);
	return Response.json(await importText(signedInOf(locals), text, answers));
}
