import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { signedInOf } from '$lib/server/auth/guard';
import { readJson } from '$lib/server/json';
import { keepPart, MOST_PARTS, partsThere, stateOf } from '$lib/server/transfer/parts';
import { beginTakingIn } from '$lib/server/transfer/takingIn';

const partSchema = z.object({
	part: z
		.number()
		.int()
		.min(0)
		.max(MOST_PARTS - 1),
	text: z.string()
});
const wholeSchema = z.object({ parts: z.number().int().min(1).max(MOST_PARTS) });

/** A part of a file; sent twice it is kept once. */
export async function PUT({ request, locals, params }) {
	const { part, text } = await readJson(request, partSchema);
	await keepPart(signedInOf(locals).userId, params.id, part, text);
	return Response.json({ part });
}

/** All parts are there: the workshop is taken in. */
export async function POST({ request, locals, params }) {
	const who = signedInOf(locals);
	const { parts } = await readJson(request, wholeSchema);
	if ((await partsThere(who.userId, params.id, parts)) < parts)
		error(400, { message: 'Not all of the file has arrived. Begin again.' });
	await beginTakingIn(who, params.id, parts);
	return Response.json({ state: 'working' });
}

/** How far it has come. */
export async function GET({ locals, params }) {
	const state = await stateOf(signedInOf(locals).userId, params.id);
	return Response.json(state ?? error(404, { message: 'Nothing of this file is here.' }));
}
