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

/** By row id. */
export async function getTemperament(
	workshopId: string,
	id: string,
	transaction?: Transaction
): Promise<StoredTemperament | undefined> {
	return (await listTemperaments(workshopId, transaction)).find((temperament) => temperament.id === id);
}

export async function temperamentBySlug(workshopId: string, slug: string): Promise<StoredTemperament | undefined> {
	return (await listTemperaments(workshopId)).find((temperament) => temperament.slug === slug);
}

function stored({ id, workshopId, slug, name, tuning, about, version }: TemperamentRow): StoredTemperament {
	return { id, slug, own: workshopId !== null, version, name, tuning, ...about };
}

/**
 * Keeps all of them or none.
 * @returns their slugs
 * @throws UniqueConstraintError when the workshop has one of that name
 */
export async function createTemperaments(workshopId: string, all: readonly TemperamentDetails[]): Promise<string[]> {
	const { sequelize, models } = database();
	return sequelize.transaction(async (transaction) => {
		const slugs: string[] = [];
		for (const { name, tuning, about } of all) {
			const id = uuid();
			await models.temperaments.create({ id, workshopId, slug: id, name, tuning, about, version: 0 }, { transaction });
			slugs.push(id);
		}
		return slugs;
	});
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
	details: TemperamentDetails
): Promise<boolean> {
	const [changed] = await database().models.temperaments.update(
		{ ...details, version: version + 1 },
		{ where: { workshopId, id, version } }
	);
	return changed > 0;
}

/** @returns how many visits and counted octaves rest on it; it is deleted only when none does */
export async function deleteTemperament(workshopId: string, id: string): Promise<number> {
	const { models } = database();
	const where = { temperamentId: id };
	const [planned, octaves] = await Promise.all([
		// Also of visits that were planned otherwise later: what was set under it says so.
		models.planVersions.count({ where, distinct: true, col: 'visit_id' }),
		models.countedOctaves.count({ where })
	]);
	if (planned + octaves === 0) await models.temperaments.destroy({ where: { workshopId, id } });
	return planned + octaves;
}
