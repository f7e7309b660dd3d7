import { habitsSchema } from '$lib/listening/habitsSchema';
import { signedInOf } from '$lib/server/auth/guard';
import { readJson } from '$lib/server/json';
import { keepHabitsOf } from '$lib/server/workshop/settings';

/** Keeps how this workshop listens. */
export async function PUT({ request, locals }) {
	await keepHabitsOf(signedInOf(locals), await readJson(request, habitsSchema));
	return Response.json({ saved: true });
}
