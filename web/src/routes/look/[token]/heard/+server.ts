import { readJson } from '$lib/server/json';
import { hearOwner, ownerAgrees } from '$lib/server/telephone/looks';
import { agreedSchema, heardSchema } from '$lib/telephone/told';

/** What an owner played; whoever sends it has the address and no account. */
export async function PUT({ params, request }) {
	const { notes } = await readJson(request, heardSchema);
	await hearOwner(params.token, notes);
	return Response.json({ heard: true });
}

/** The owner agrees to what that told. */
export async function POST({ params, request }) {
	const { name, heardAt } = await readJson(request, agreedSchema);
	await ownerAgrees(params.token, name, heardAt);
	return Response.json({ agreed: true });
}
