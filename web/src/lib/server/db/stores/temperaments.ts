import { Op } from 'sequelize';
import { database } from '../connection';
import type { TemperamentRow } from '../models';

/** The library and the workshop's own. */
export async function listTemperaments(workshopId: string): Promise<TemperamentRow[]> {
	const rows = await database().models.temperaments.findAll({
		where: { workshopId: { [Op.or]: [null, workshopId] } } as never
	});
	return rows.map((row) => row.get());
}

export async function getTemperament(workshopId: string, id: string): Promise<TemperamentRow | undefined> {
	return (await listTemperaments(workshopId)).find((temperament) => temperament.id === id);
}
