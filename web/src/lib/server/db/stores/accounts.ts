import type { ListeningHabits } from '@fendrel/core';
import { Op, type Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { USUAL_SETTINGS, type Settings } from '$lib/settings/settings';
import { database } from '../connection';
import type { SessionRow, UserRow, WorkshopRow } from '../rows';
import { createUser, placesOfGuests } from './people';

export interface NewAccount {
	readonly workshop: string;
	readonly name: string;
	readonly email: string;
	readonly passwordHash: string;
	readonly demo: boolean;
	/** Of the first workshop there is: of several that are sent at once only one is made. */
	readonly first?: true;
}

/**
 * Makes a workshop with its first account, both or neither.
 * @throws UniqueConstraintError when there is a first one already, or an account with that e-mail
 */
export async function createAccount(account: NewAccount): Promise<UserRow> {
	const { sequelize, models } = database();
	return sequelize.transaction(async (transaction) => {
		const createdAt = new Date();
		const workshop = {
			id: uuid(),
			name: account.workshop,
			demo: account.demo,
			listening: null,
			settings: null,
			first: account.first ? 1 : null,
			createdAt
		} as const;
		await models.workshops.create(workshop, { transaction });
		const { email, name, passwordHash } = account;
		return createUser({ workshopId: workshop.id, email, name, role: 'owner', passwordHash }, [], transaction);
	});
}

export async function userByEmail(email: string): Promise<UserRow | undefined> {
	const found = await database().models.users.findOne({ where: { email: email.toLowerCase() } });
	return found?.get();
}

export async function userById(id: string, transaction?: Transaction): Promise<UserRow | undefined> {
	return (await database().models.users.findByPk(id, { transaction }))?.get();
}

export async function isEmpty(): Promise<boolean> {
	return (await database().models.users.count({ paranoid: false })) === 0;
}

/** True while the demo workshop is there: its account is then offered on the sign-in page. */
export async function isDemoLoaded(): Promise<boolean> {
	return (await database().models.workshops.count({ where: { demo: true } })) > 0;
}

/** @param device what the browser calls itself, in short */
export async function saveSession(tokenHash: string, userId: string, expiresAt: Date, device = ''): Promise<void> {
	const { sessions } = database().models;
	const now = new Date();
	await sessions.destroy({ where: { expiresAt: { [Op.lt]: now } } });
	await sessions.create({ tokenHash, userId, createdAt: now, expiresAt, device, lastAt: now });
}

/** The open sessions of somebody, the one used last first. */
export async function sessionsOf(userId: string): Promise<SessionRow[]> {
	const rows = await database().models.sessions.findAll({
		where: { userId, expiresAt: { [Op.gt]: new Date() } },
		order: [['lastAt', 'DESC']]
	});
	return rows.map((row) => row.get());
}

/** Ends one of somebody's sessions, or all but one; '': none is left. */
export async function endSessionsOf(
	userId: string,
	which: { readonly only: string } | { readonly but: string },
	transaction?: Transaction
): Promise<void> {
	const tokenHash = 'only' in which ? which.only : { [Op.ne]: which.but };
	await database().models.sessions.destroy({ where: { userId, tokenHash }, transaction });
}

export async function keepPassword(userId: string, passwordHash: string, transaction?: Transaction): Promise<void> {
	await database().models.users.update({ passwordHash }, { where: { id: userId }, transaction });
}

export async function endSession(tokenHash: string): Promise<void> {
	await database().models.sessions.destroy({ where: { tokenHash } });
}

export interface FoundSession {
	readonly user: UserRow;
	readonly workshop: WorkshopRow;
	/** What a guest may see, by their ids. */
	readonly places: readonly string[] | undefined;
	readonly expiresAt: Date;
	readonly lastAt: Date | null;
}

/** The account behind a session that has not expired. */
export async function sessionByToken(tokenHash: string): Promise<FoundSession | undefined> {
	const { sessions, users, workshops } = database().models;
	const session = await sessions.findOne({ where: { tokenHash, expiresAt: { [Op.gt]: new Date() } } });
	if (!session) return undefined;
	const user = await users.findByPk(session.get().userId);
	const workshop = user && (await workshops.findByPk(user.get().workshopId));
	if (!user || !workshop) return undefined;
	const { id, role } = user.get();
	const places = role === 'guest' ? (await placesOfGuests([id])).get(id) : undefined;
	return {
		...{ user: user.get(), workshop: workshop.get(), places },
		...{ expiresAt: session.get().expiresAt, lastAt: session.get().lastAt }
	};
}

export async function prolongSession(tokenHash: string, expiresAt: Date): Promise<void> {
	await database().models.sessions.update({ expiresAt, lastAt: new Date() }, { where: { tokenHash } });
}

/** How a workshop listens; null: as usual. */
export async function habitsOf(workshopId: string, transaction?: Transaction): Promise<ListeningHabits | null> {
	const attributes = ['id', 'listening'];
	const found = await database().models.workshops.findByPk(workshopId, { attributes, transaction });
	return found?.get().listening ?? null;
}

export async function keepHabits(
	workshopId: string,
	listening: ListeningHabits | null,
	transaction: Transaction
): Promise<void> {
	await database().models.workshops.update({ listening }, { where: { id: workshopId }, transaction });
}

/** What a workshop decides for its visits; what it has not decided is as usual. */
export async function settingsOf(workshopId: string, transaction?: Transaction): Promise<Settings> {
	const attributes = ['id', 'settings'];
	const found = await database().models.workshops.findByPk(workshopId, { attributes, transaction });
	return { ...USUAL_SETTINGS, ...found?.get().settings };
}

export async function keepSettings(workshopId: string, settings: Settings, transaction?: Transaction): Promise<void> {
	await database().models.workshops.update({ settings }, { where: { id: workshopId }, transaction });
}

/** What the people of a workshop are called, by their id; also those whose account is deleted but not erased. */
export async function namesOf(workshopId: string): Promise<ReadonlyMap<string, string>> {
	const rows = await database().models.users.findAll({
		where: { workshopId },
		attributes: ['id', 'name'],
		paranoid: false
	});
	return new Map(rows.map((row) => [row.get().id, row.get().name]));
}

/** What a workshop is called, and whether it is one to try things in. */
export async function workshopNamed(workshopId: string): Promise<{ readonly name: string; readonly demo: boolean }> {
	const found = await database().models.workshops.findByPk(workshopId, {
		attributes: ['id', 'name', 'demo'],
		rejectOnEmpty: true
	});
	const { name, demo } = found.get();
	return { name, demo };
}
