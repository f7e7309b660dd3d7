import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { signedInOf } from '$lib/server/auth/guard';
import { readJson } from '$lib/server/json';
import { forgetParts, keepPart, linesIn, MOST_PARTS, partsThere } from '$lib/server/transfer/parts';
import { takeInWorkshop } from '$lib/server/transfer/takeIn';

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

/** All parts are there: takes the workshop in. */
export async function POST({ request, locals, params }) {
	const who = signedInOf(locals);
	const { parts } = await readJson(request, wholeSchema);
	if ((await partsThere(who.userId, params.id, parts)) < parts)
		error(400, { message: 'Not all of the file has arrived. Begin again.' });
	try {
		return Response.json({ taken: await takeInWorkshop(who, () => linesIn(who.userId, params.id, parts)) });
	} finally {
		await forgetParts(who.userId, params.id);
	}
}
