import { ensembleSchema } from '$lib/ensembles/ensemble';
import { signedInOf } from '$lib/server/auth/guard';
import { keepEnsemble, removeEnsemble } from '$lib/server/ensembles/keep';
import { readJson } from '$lib/server/json';

/** Keeps an ensemble, a new one or over the version that it was made from. */
export async function PUT({ request, locals, params }) {
	const draft = await readJson(request, ensembleSchema);
	return Response.json(await keepEnsemble(signedInOf(locals), params.id, draft));
}

export async function DELETE({ locals, params }) {
	await removeEnsemble(signedInOf(locals), params.id);
	return Response.json({ deleted: true });
}
