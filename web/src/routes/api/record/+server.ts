import { error } from '@sveltejs/kit';
import { batchSchema } from '$lib/record/record';
import { signedInOf } from '$lib/server/auth/guard';
import { readJson } from '$lib/server/json';
import { takeIn } from '$lib/server/record/takeIn';

/** Takes in what a device made in any of the workshop's visits; each item gets an answer of its own. */
export async function POST({ request, locals }) {
	const who = signedInOf(locals);
	const { as, ...batch } = await readJson(request, batchSchema);
	if (as !== undefined && as !== who.userId)
		error(401, { message: 'Somebody else is signed in here. What is waiting will be sent when its owner signs in.' });
	return Response.json({ answers: await takeIn(who, batch) });
}
