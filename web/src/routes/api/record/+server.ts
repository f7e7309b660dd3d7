import { workshopOf } from '$lib/server/auth/guard';
import { readJson } from '$lib/server/json';
import { takeIn } from '$lib/server/record/takeIn';
import { batchSchema } from '$lib/handover/record';

/** Takes in readings and acts of any of the workshop's visits; each gets an answer of its own. */
export async function POST({ request, locals }) {
	const batch = await readJson(request, batchSchema);
	return Response.json({ answers: await takeIn(workshopOf(locals), batch) });
}
