import { Op, type Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import type { Role } from '$lib/workshop/roles';
import { database } from '../connection';
import type { InvitationRow, UserRow } from '../rows';

export type NewUser = Pick<UserRow, 'workshopId' | 'email' | 'name' | 'role' | 'passwordHash'>;

/** @throws UniqueConstraintError when there is an account with that e-mail */
export async function createUser(
	{ email, ...user }: NewUser,
	places: readonly string[],
	transaction: Transaction
): Promise<UserRow> {
	const { users, guestPlaces } = database().models;
	const row = {
		...user,
		...{
			id: uuid(),
			email: email.toLowerCase(),
			createdAt: new Date(),
			deletedAt: null,
			deletedBy: null,
			ear: null,
			showsPractice: false
		}
	};
	await users.create(row, { transaction });
	await guestPlaces.bulkCreate(
		places.map((placeId) => ({ userId: row.id, placeId })),
		{ transaction }
	);
	return row;
}

/** Everybody who belongs to a workshop, by name. */
export async function usersOf(workshopId: string): Promise<UserRow[]> {
	const rows = await database().models.users.findAll({ where: { workshopId }, order: [['name', 'ASC']] });
	return rows.map((row) => row.get());
}

/** Which places each guest of a list may see. */
export async function placesOfGuests(userIds: readonly string[]): Promise<Map<string, string[]>> {
	const rows = await database().models.guestPlaces.findAll({ where: { userId: [...userIds] } });
	const byUser = new Map<string, string[]>(userIds.map((id) => [id, []]));
	for (const row of rows) byUser.get(row.get().userId)!.push(row.get().placeId);
	return byUser;
}

/** Holds a workshop's owners until the transaction ends. */
export async function lockOwners(workshopId: string, transaction: Transaction): Promise<string[]> {
	const rows = await database().models.users.findAll({
		where: { workshopId, role: 'owner' },
		attributes: ['id'],
		transaction,
		lock: transaction.LOCK.UPDATE
	});
	return rows.map((row) => row.get().id);
}

export async function keepRole(
	{ id, role, places }: { readonly id: string; readonly role: Role; readonly places: readonly string[] },
	transaction: Transaction
): Promise<void> {
	const { users, guestPlaces } = database().models;
	await users.update({ role }, { where: { id }, transaction });
	await guestPlaces.destroy({ where: { userId: id }, transaction });
	await guestPlaces.bulkCreate(
		places.map((placeId) => ({ userId: id, placeId })),
		{ transaction }
	);
}

export async function saveInvitation(row: InvitationRow, transaction: Transaction): Promise<void> {
	const { invitations } = database().models;
	await invitations.destroy({ where: { expiresAt: { [Op.lt]: new Date() } }, transaction });
	// A newer link takes the place of an older one.
	if (row.userId) await invitations.destroy({ where: { userId: row.userId }, transaction });
	await invitations.create(row, { transaction });
}

/** The links of a workshop that still open, the newest first. */
export async function invitationsOf(workshopId: string): Promise<InvitationRow[]> {
	const rows = await database().models.invitations.findAll({
		where: { workshopId, expiresAt: { [Op.gt]: new Date() } },
		order: [['madeAt', 'DESC']]
	});
	return rows.map((row) => row.get());
}

export async function invitationByToken(
	tokenHash: string,
	transaction?: Transaction
): Promise<InvitationRow | undefined> {
	const row = await database().models.invitations.findOne({
		where: { tokenHash, expiresAt: { [Op.gt]: new Date() } },
		transaction,
		...(transaction && { lock: transaction.LOCK.UPDATE })
	});
	return row?.get();
}

/** @returns whether it was there */
export async function endInvitation(
	workshopId: string,
	tokenHash: string,
	transaction?: Transaction
): Promise<boolean> {
	return (await database().models.invitations.destroy({ where: { workshopId, tokenHash }, transaction })) > 0;
}
