import { waySchema } from '$lib/places/place';
import { signedInOf } from '$lib/server/auth/guard';
import { readJson } from '$lib/server/json';
import { keepWay } from '$lib/server/places/keep';

/** How many minutes it takes from here to another place. */
export async function PUT({ request, locals, params }) {
	const { to, minutes } = await readJson(request, waySchema);
	await keepWay(signedInOf(locals), params.id, to, minutes);
	return Response.json({ minutes });
}
