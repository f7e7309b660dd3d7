import { habitsSchema } from '$lib/listening/habitsSchema';
import { workshopOf } from '$lib/server/auth/guard';
import { keepHabits } from '$lib/server/db/stores/accounts';
import { readJson } from '$lib/server/json';

/** Keeps how this workshop listens. */
export async function PUT({ request, locals }) {
	await keepHabits(workshopOf(locals), await readJson(request, habitsSchema));
	return Response.json({ saved: true });
}
