import { error } from '@sveltejs/kit';
import type { Transaction } from 'sequelize';
import { mergedContact } from '$lib/places/alike';
import type { ContactDraft, PlaceDraft } from '$lib/places/place';
import type { Who } from '../auth/session';
import { difference, noteChange } from '../db/stores/changes';
import { deleteContacts, getContact, handOverInstruments, saveContact } from '../db/stores/contacts';
import { deletePlace, getPlace, heldAt, mergePlaces, savePlace, saveWay } from '../db/stores/locations';
import { isDuplicate } from '../db/faults';
import { inTransaction } from '../db/transaction';
import { orNotFound } from '../find';

const CHANGED = 'Somebody else has changed this meanwhile. Reload the page; note first what you typed.';

/** Keeps a place, and says so in the trail. @throws 409 where another one is called so, or somebody else has written over it */
export async function keepPlace(who: Who, id: string, draft: PlaceDraft): Promise<{ version: number }> {
	if ((draft.latitude === null) !== (draft.longitude === null))
		error(400, { message: 'Give degrees north and east, or neither.' });
	try {
		return await inTransaction(async (transaction) => {
			const before = await getPlace(who.workshopId, id, transaction);
			const version = await savePlace(who.workshopId, id, draft, transaction);
			if (version === undefined) error(409, { message: CHANGED });
			const said = difference({ ...before, version: 0 }, { ...draft, version: 0 });
			await noteChange(who, { what: 'place kept', subjectId: id, name: draft.name, said }, transaction);
			return { version };
		});
	} catch (fault) {
		if (isDuplicate(fault)) error(409, { message: 'There is a place of that name in that town already.' });
		throw fault;
	}
}

/** @throws 409 while something is there */
export async function removePlace(who: Who, id: string): Promise<void> {
	await inTransaction(async (transaction) => {
		const { name } = orNotFound(await getPlace(who.workshopId, id, transaction), 'place');
		if ((await heldAt(who.workshopId, id, transaction)) > 0)
			error(409, { message: 'Instruments, contacts or bookings are still here. Move them first, or merge the place.' });
		await deletePlace(who.workshopId, id, transaction);
		await noteChange(who, { what: 'place deleted', subjectId: id, name }, transaction);
	});
}

/** Two places are one: what is said of the one that stays holds, and what it does not say is taken from the other. */
export async function mergePlace(who: Who, from: string, into: string): Promise<void> {
	if (from === into) error(400, { message: 'A place cannot be merged with itself.' });
	await inTransaction(async (transaction) => {
		const gone = orNotFound(await getPlace(who.workshopId, from, transaction), 'place');
		const kept = orNotFound(await getPlace(who.workshopId, into, transaction), 'place');
		await mergePlaces(who.workshopId, from, kept, transaction);
		const both = {
			...kept,
			...{ address: kept.address || gone.address, entry: kept.entry || gone.entry },
			fromHome: kept.fromHome ?? gone.fromHome,
			...(kept.latitude === null && { latitude: gone.latitude, longitude: gone.longitude })
		};
		const { id: _, ...draft } = both;
		await savePlace(who.workshopId, into, draft, transaction);
		await noteChange(
			who,
			{ what: 'places merged', subjectId: into, name: kept.name, said: { place: [gone.name, kept.name] } },
			transaction
		);
	});
}

export async function keepWay(who: Who, from: string, to: string, minutes: number | null): Promise<void> {
	if (from === to) error(400, { message: 'There is no way from a place to itself.' });
	await inTransaction(async (transaction) => {
		for (const id of [from, to]) orNotFound(await getPlace(who.workshopId, id, transaction), 'place');
		await saveWay(who.workshopId, from, to, minutes, transaction);
	});
}

/** Keeps a contact, and says so in the trail. */
export function keepContact(who: Who, id: string, draft: ContactDraft): Promise<{ version: number }> {
	return inTransaction((transaction) => keep(who, id, draft, transaction));
}

/** Contacts from a file: all of them or none. What was sent twice is kept once. */
export function keepContacts(who: Who, contacts: readonly (ContactDraft & { readonly id: string })[]): Promise<void> {
	return inTransaction(async (transaction) => {
		for (const { id, ...draft } of contacts)
			if (!(await getContact(who.workshopId, id, transaction))) await keep(who, id, draft, transaction);
	});
}

async function keep(who: Who, id: string, draft: ContactDraft, transaction: Transaction): Promise<{ version: number }> {
	if (draft.locationId) orNotFound(await getPlace(who.workshopId, draft.locationId, transaction), 'place');
	const version = await saveContact(who.workshopId, id, draft, transaction);
	if (version === undefined) error(409, { message: CHANGED });
	await noteChange(who, { what: 'contact kept', subjectId: id, name: draft.name }, transaction);
	return { version };
}

/** @throws 404 where one of them is not there */
export function removeContacts(who: Who, ids: readonly string[]): Promise<void> {
	return inTransaction(async (transaction) => {
		for (const id of ids) {
			const { name } = orNotFound(await getContact(who.workshopId, id, transaction), 'contact');
			await noteChange(who, { what: 'contact deleted', subjectId: id, name }, transaction);
		}
		await deleteContacts(who.workshopId, ids, transaction);
	});
}

/** Two contacts are one person: what the one that stays does not say is taken from the other, instruments too. */
export function mergeContacts(who: Who, from: string, into: string): Promise<void> {
	if (from === into) error(400, { message: 'A contact cannot be merged with itself.' });
	return inTransaction(async (transaction) => {
		const gone = orNotFound(await getContact(who.workshopId, from, transaction), 'contact');
		const { id, ...kept } = orNotFound(await getContact(who.workshopId, into, transaction), 'contact');
		await handOverInstruments(who.workshopId, from, id, transaction);
		await deleteContacts(who.workshopId, [from], transaction);
		await saveContact(who.workshopId, id, { ...mergedContact(kept, gone), version: kept.version }, transaction);
		await noteChange(
			who,
			{ what: 'contacts merged', subjectId: id, name: kept.name, said: { contact: [gone.name, kept.name] } },
			transaction
		);
	});
}
