import { placeSchema } from '$lib/places/place';
import { signedInOf } from '$lib/server/auth/guard';
import { readJson } from '$lib/server/json';
import { keepPlace, removePlace } from '$lib/server/places/keep';

/** Keeps a place, a new one or over the version that it was made from. */
export async function PUT({ request, locals, params }) {
	return Response.json(await keepPlace(signedInOf(locals), params.id, await readJson(request, placeSchema)));
}

export async function DELETE({ locals, params }) {
	await removePlace(signedInOf(locals), params.id);
	return Response.json({ deleted: true });
}
