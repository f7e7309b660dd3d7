import type { Transaction } from 'sequelize';
import type { Ensemble } from '$lib/ensembles/ensemble';
import { database } from '../connection';
import type { EnsembleRow } from '../rows';

const told = ({ id, name, members, version }: EnsembleRow): Ensemble => ({ id, name, members, version });

/** By name. */
export async function listEnsembles(workshopId: string): Promise<Ensemble[]> {
	const rows = await database().models.ensembles.findAll({ where: { workshopId }, order: [['name', 'ASC']] });
	return rows.map((row) => told(row.get()));
}

export async function getEnsemble(
	workshopId: string,
	id: string,
	transaction?: Transaction
): Promise<Ensemble | undefined> {
	const row = await database().models.ensembles.findOne({ where: { workshopId, id }, transaction });
	return row ? told(row.get()) : undefined;
}

/** A new one, or over the version that it was made from. @returns its version now; undefined when another one stands there */
export async function saveEnsemble(
	workshopId: string,
	{ id, name, members, version }: Ensemble,
	transaction: Transaction
): Promise<number | undefined> {
	const { ensembles } = database().models;
	const next = version + 1;
	const said = { name, members, version: next, changedAt: new Date() };
	const [changed] = await ensembles.update(said, { where: { workshopId, id, version }, transaction });
	if (changed) return next;
	// Nobody else's number is taken, and no version that was deleted comes back by itself.
	if (version !== 0 || (await ensembles.findOne({ where: { id }, transaction }))) return undefined;
	await ensembles.create({ id, workshopId, ...said }, { transaction });
	return next;
}

export async function deleteEnsemble(workshopId: string, id: string, transaction: Transaction): Promise<void> {
	await database().models.ensembles.destroy({ where: { workshopId, id }, transaction });
}
