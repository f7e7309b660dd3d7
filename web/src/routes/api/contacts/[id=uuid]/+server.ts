import { contactSchema } from '$lib/places/place';
import { signedInOf } from '$lib/server/auth/guard';
import { readJson } from '$lib/server/json';
import { keepContact, removeContacts } from '$lib/server/places/keep';

/** Keeps a contact, a new one or over the version that it was made from. */
export async function PUT({ request, locals, params }) {
	return Response.json(await keepContact(signedInOf(locals), params.id, await readJson(request, contactSchema)));
}

export async function DELETE({ locals, params }) {
	await removeContacts(signedInOf(locals), [params.id]);
	return Response.json({ deleted: true });
}
