import { Op, type Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import type { StoredTemperament } from '$lib/tuning/storedTemperament';
import { database } from '../connection';
import type { TemperamentAbout, TemperamentRow } from '../rows';

/** What a user says of a temperament: all but where it stands. */
export type TemperamentDetails = Pick<TemperamentRow, 'name' | 'tuning'> & { readonly about: TemperamentAbout };

/** The library and the workshop's own, by name. */
export async function listTemperaments(workshopId: string, transaction?: Transaction): Promise<StoredTemperament[]> {
	const rows = await database().models.temperaments.findAll({
		where: { workshopId: { [Op.or]: [null, workshopId] } } as never,
		order: [['name', 'ASC']],
		transaction
	});
	return rows.map((row) => stored(row.get()));
}

async function oneWith(
	workshopId: string,
	where: Partial<Pick<TemperamentRow, 'id' | 'slug'>>,
	transaction?: Transaction
): Promise<StoredTemperament | undefined> {
	const row = await database().models.temperaments.findOne({
		where: { ...where, workshopId: { [Op.or]: [null, workshopId] } } as never,
		transaction
	});
	return row ? stored(row.get()) : undefined;
}

/** By row id. */
export const getTemperament = (workshopId: string, id: string, transaction?: Transaction) =>
	oneWith(workshopId, { id }, transaction);

export const temperamentBySlug = (workshopId: string, slug: string) => oneWith(workshopId, { slug });

function stored({ id, workshopId, slug, name, tuning, about, version }: TemperamentRow): StoredTemperament {
	return { id, slug, own: workshopId !== null, version, name, tuning, ...about };
}

/**
 * Keeps all of them or none.
 * @returns their slugs
 * @throws UniqueConstraintError when the workshop has one of that name
 */
export async function createTemperaments(
	workshopId: string,
	all: readonly TemperamentDetails[],
	transaction: Transaction
): Promise<string[]> {
	const rows = all.map(({ name, tuning, about }) => {
		const id = uuid();
		return { id, workshopId, slug: id, name, tuning, about, version: 0 };
	});
	await database().models.temperaments.bulkCreate(rows, { transaction });
	return rows.map(({ slug }) => slug);
}

/**
 * Writes over a version of a temperament.
 * @returns false when somebody else has written over that version meanwhile; nothing is changed then
 * @throws UniqueConstraintError as createTemperaments does
 */
export async function updateTemperament(
	workshopId: string,
	id: string,
	version: number,
	details: TemperamentDetails,
	transaction: Transaction
): Promise<boolean> {
	const [changed] = await database().models.temperaments.update(
		{ ...details, version: version + 1 },
		{ where: { workshopId, id, version }, transaction }
	);
	return changed > 0;
}

/** @returns how many visits and counted octaves rest on it; it is deleted only when none does */
export async function deleteTemperament(workshopId: string, id: string, transaction: Transaction): Promise<number> {
	const { models } = database();
	const where = { temperamentId: id };
	// Also of visits that were planned otherwise later: what was set under it says so.
	const planned = await models.planVersions.count({ where, distinct: true, col: 'visit_id', transaction });
	const octaves = await models.countedOctaves.count({ where, transaction });
	if (planned + octaves === 0) await models.temperaments.destroy({ where: { workshopId, id }, transaction });
	return planned + octaves;
}
