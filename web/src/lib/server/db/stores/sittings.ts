import type { Ear } from '@fendrel/core';
import type { Transaction } from 'sequelize';
import { database } from '../connection';
import type { SittingRow } from '../rows';

/** The newest of somebody's sittings, the oldest of them first. @param most Infinity: all of them */
export async function sittingsOf(userId: string, most = 400): Promise<SittingRow[]> {
	const rows = await database().models.sittings.findAll({
		where: { userId },
		order: [
			['beganAt', 'DESC'],
			['id', 'DESC']
		],
		...(most < Infinity && { limit: most })
	});
	return rows.map((row) => row.get()).reverse();
}

export async function getSitting(id: string, transaction: Transaction): Promise<SittingRow | undefined> {
	const row = await database().models.sittings.findOne({ where: { id }, transaction, lock: transaction.LOCK.UPDATE });
	return row?.get();
}

/** Writes a sitting, over what there was of it. */
export async function writeSitting(row: SittingRow, transaction: Transaction): Promise<void> {
	await database().models.sittings.upsert(row, { transaction });
}

/** @returns whether there was one */
export async function removeSitting(userId: string, id: string): Promise<boolean> {
	return (await database().models.sittings.destroy({ where: { userId, id } })) > 0;
}

/** The ear that somebody has taken over from practice. */
export async function earOf(userId: string): Promise<Ear | undefined> {
	const row = await database().models.users.findOne({ where: { id: userId }, attributes: ['ear'] });
	return row?.get().ear ?? undefined;
}

/** @param ear null: none any more */
export async function keepEar(userId: string, ear: Ear | null): Promise<void> {
	await database().models.users.update({ ear }, { where: { id: userId } });
}

/** Whether somebody lets the workshop's technicians see their practice. */
export async function showsPractice(userId: string): Promise<boolean> {
	const row = await database().models.users.findOne({ where: { id: userId }, attributes: ['showsPractice'] });
	return row?.get().showsPractice ?? false;
}

export async function keepShowsPractice(userId: string, showsPractice: boolean): Promise<void> {
	await database().models.users.update({ showsPractice }, { where: { id: userId } });
}

/** Others of a workshop who let their practice be seen. */
export async function shownIn(workshopId: string, except: string): Promise<{ id: string; name: string }[]> {
	const rows = await database().models.users.findAll({
		where: { workshopId, showsPractice: true, deletedAt: null },
		attributes: ['id', 'name'],
		order: [['name', 'ASC']]
	});
	return rows.map((row) => row.get()).filter(({ id }) => id !== except);
}
