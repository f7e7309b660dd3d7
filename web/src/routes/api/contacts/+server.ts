import { contactsSchema, idsSchema } from '$lib/places/place';
import { signedInOf } from '$lib/server/auth/guard';
import { readJson } from '$lib/server/json';
import { keepContacts, removeContacts } from '$lib/server/places/keep';

/** Contacts from a file, all of them or none. */
export async function POST({ request, locals }) {
	const { contacts } = await readJson(request, contactsSchema);
	await keepContacts(signedInOf(locals), contacts);
	return Response.json({ kept: contacts.length });
}

/** Takes back what came from a file. */
export async function DELETE({ request, locals }) {
	const { ids } = await readJson(request, idsSchema);
	await removeContacts(signedInOf(locals), ids);
	return Response.json({ deleted: ids.length });
}
