import { whereaboutsSchema } from '$lib/instruments/whereabouts';
import { signedInOf } from '$lib/server/auth/guard';
import { moveInstrument } from '$lib/server/instruments/keep';
import { readJson } from '$lib/server/json';

/** It stands elsewhere, belongs to somebody else, or is no longer looked after; its visits go with it. */
export async function PUT({ request, locals, params }) {
	await moveInstrument(signedInOf(locals), params.id, await readJson(request, whereaboutsSchema));
	return Response.json({ moved: true });
}
