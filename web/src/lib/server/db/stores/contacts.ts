import type { Transaction } from 'sequelize';
import type { Contact, ContactDraft } from '$lib/places/place';
import { database } from '../connection';
import type { ContactRow } from '../rows';

const told = ({ id, name, role, phone, email, note, locationId, version }: ContactRow): Contact => ({
	...{ id, name, role, phone, email, note, locationId, version }
});

/** By name. @param locationId at this place only */
export async function listContacts(workshopId: string, locationId?: string): Promise<Contact[]> {
	const rows = await database().models.contacts.findAll({
		where: { workshopId, ...(locationId && { locationId }) },
		order: [['name', 'ASC']]
	});
	return rows.map((row) => told(row.get()));
}

export async function getContact(
	workshopId: string,
	id: string,
	transaction?: Transaction
): Promise<Contact | undefined> {
	const row = await database().models.contacts.findOne({ where: { workshopId, id }, transaction });
	return row ? told(row.get()) : undefined;
}

/** A new one, or over the version that it was made from. @returns its version now; undefined when another one stands there */
export async function saveContact(
	workshopId: string,
	id: string,
	{ version, ...draft }: ContactDraft,
	transaction: Transaction
): Promise<number | undefined> {
	const { contacts } = database().models;
	const next = version + 1;
	const before = await contacts.findOne({ where: { id }, transaction, lock: transaction.LOCK.UPDATE });
	if (!before) {
		await contacts.create({ id, workshopId, ...draft, version: next, changedAt: new Date() }, { transaction });
		return next;
	}
	if (before.get().workshopId !== workshopId || before.get().version !== version) return undefined;
	await before.update({ ...draft, version: next, changedAt: new Date() }, { transaction });
	return next;
}

export async function deleteContacts(
	workshopId: string,
	ids: readonly string[],
	transaction: Transaction
): Promise<void> {
	await database().models.contacts.destroy({ where: { workshopId, id: [...ids] }, transaction });
}

/** What was one contact's is another's. */
export async function handOverInstruments(
	workshopId: string,
	from: string,
	to: string,
	transaction: Transaction
): Promise<void> {
	await database().models.instruments.update(
		{ ownerId: to },
		{ where: { workshopId, ownerId: from }, paranoid: false, transaction }
	);
}
