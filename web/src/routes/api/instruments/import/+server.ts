import { z } from 'zod';
import { instrumentSchema } from '$lib/instruments/instrumentForm';
import { signedInOf } from '$lib/server/auth/guard';
import { addInstruments, takeBackInstruments } from '$lib/server/instruments/import';
import { readJson } from '$lib/server/json';

const MOST = 500;
const listSchema = z.object({ instruments: z.array(instrumentSchema).min(1).max(MOST) });
const idsSchema = z.object({ ids: z.array(z.uuid()).min(1).max(MOST) });

/** Instruments from a list, all of them or none. */
export async function POST({ request, locals }) {
	const { instruments } = await readJson(request, listSchema);
	return Response.json({ ids: await addInstruments(signedInOf(locals), instruments) });
}

/** Takes back what came from a list, while nothing has been done with it. */
export async function DELETE({ request, locals }) {
	const { ids } = await readJson(request, idsSchema);
	await takeBackInstruments(signedInOf(locals), ids);
	return Response.json({ deleted: ids.length });
}
