import { Op, type Transaction } from 'sequelize';
import { database } from '../connection';
import type { TelephoneLookRow } from '../rows';

/** Looks before a visit to some instruments, the newest first. */
export async function telephoneLooksOf(
	workshopId: string,
	instrumentIds: readonly string[],
	transaction?: Transaction
): Promise<TelephoneLookRow[]> {
	const rows = await database().models.telephoneLooks.findAll({
		where: { workshopId, instrumentId: [...instrumentIds] },
		order: [['madeAt', 'DESC']],
		transaction
	});
	return rows.map((row) => row.get());
}

export async function saveTelephoneLook(look: TelephoneLookRow, transaction: Transaction): Promise<void> {
	await database().models.telephoneLooks.create(look, { transaction });
}

/** The look that an address leads to; with a transaction nobody else changes it meanwhile. */
export async function telephoneLookAt(
	tokenHash: string,
	now: Date,
	transaction?: Transaction
): Promise<TelephoneLookRow | undefined> {
	const row = await database().models.telephoneLooks.findOne({
		where: { tokenHash, endsAt: { [Op.gt]: now } },
		transaction,
		lock: transaction?.LOCK.UPDATE
	});
	return row?.get();
}

export async function changeTelephoneLook(
	{ workshopId, id }: Pick<TelephoneLookRow, 'workshopId' | 'id'>,
	change: Partial<Omit<TelephoneLookRow, 'id' | 'workshopId'>>,
	transaction: Transaction
): Promise<void> {
	await database().models.telephoneLooks.update(change, { where: { workshopId, id }, transaction });
}
