import { error } from '@sveltejs/kit';
import { validate as isUuid } from 'uuid';
import { sittingSchema } from '$lib/practice/sittingFormat';
import { signedInOf } from '$lib/server/auth/guard';
import { readJson } from '$lib/server/json';
import { keepSitting } from '$lib/server/practice/sittings';

/** Keeps a sitting of practice as far as it has come. */
export async function PUT({ request, locals, params }) {
	if (!isUuid(params.id)) error(404, { message: 'There is no such sitting.' });
	const kept = await keepSitting(signedInOf(locals).userId, params.id, await readJson(request, sittingSchema));
	if (kept === 'not yours') error(404, { message: 'There is no such sitting.' });
	return Response.json({ kept: true });
}
