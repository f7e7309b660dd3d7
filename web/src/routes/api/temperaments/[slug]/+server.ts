import { signedInOf } from '$lib/server/auth/guard';
import { readJson } from '$lib/server/json';
import { temperamentOr404 } from '$lib/server/find';
import { deleteOwn, keepDraft } from '$lib/server/temperaments/keepDraft';
import { keepSchema } from '$lib/temperaments/temperamentDraft';
import { counted } from '$lib/ui/format';

const LIBRARY = 'This one belongs to the library and stays as it is. Keep yours under a name of its own.';

/** Changes one of the workshop's own. */
export async function PUT({ request, locals, params }) {
	const who = signedInOf(locals);
	const temperament = await temperamentOr404(who.workshopId, params.slug);
	if (!temperament.own) return Response.json({ message: LIBRARY }, { status: 409 });
	const { draft, confirmed, version } = await readJson(request, keepSchema);
	return Response.json(await keepDraft(who, draft, confirmed, temperament, version));
}

/** Deletes one of the workshop's own that no record rests on. */
export async function DELETE({ locals, params }) {
	const who = signedInOf(locals);
	const temperament = await temperamentOr404(who.workshopId, params.slug);
	if (!temperament.own) return Response.json({ message: LIBRARY }, { status: 409 });
	const records = await deleteOwn(who, temperament);
	if (records === 0) return Response.json({ deleted: true });
	const message = `It is part of ${counted(records, 'record')} (visits or counted octaves), so it stays.`;
	return Response.json({ message }, { status: 409 });
}
