import { z } from 'zod';
import { signedInOf } from '$lib/server/auth/guard';
import { strungOr404 } from '$lib/server/find';
import { readJson } from '$lib/server/json';
import { askOwner, withdrawLook } from '$lib/server/telephone/looks';

/** Makes an address at which the owner plays ten notes. */
export async function POST({ request, locals, params }) {
	const who = signedInOf(locals);
	await readJson(request, z.object({}));
	return Response.json(await askOwner(who, await strungOr404(who.workshopId, params.id)));
}

/** That address leads nowhere any more. */
export async function DELETE({ request, locals, params }) {
	const who = signedInOf(locals);
	const { look } = await readJson(request, z.object({ look: z.uuid() }));
	await withdrawLook(who, await strungOr404(who.workshopId, params.id), look);
	return Response.json({ withdrawn: true });
}
