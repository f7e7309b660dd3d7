import { workshopOf } from '$lib/server/auth/guard';
import { changeVisit } from '$lib/server/visits/open';
import { readJson } from '$lib/server/json';
import { visitChangesSchema } from '$lib/visit/schema';

/** Changes what is planned or noted of an open visit. */
export async function PATCH({ request, locals, params }) {
	const changes = await readJson(request, visitChangesSchema);
	const result = await changeVisit(workshopOf(locals), params.id, changes);
	return result.kind === 'saved'
		? Response.json({ saved: true })
		: Response.json({ message: result.why }, { status: 409 });
}
