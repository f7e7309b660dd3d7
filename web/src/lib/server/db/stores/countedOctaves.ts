import { v7 as uuid } from 'uuid';
import { database } from '../connection';
import type { CountedOctaveRow } from '../models';

export async function saveCountedOctave(
	workshopId: string,
	octave: Omit<CountedOctaveRow, 'id' | 'workshopId' | 'countedAt'>
): Promise<string> {
	const id = uuid();
	await database().models.countedOctaves.create({ id, workshopId, countedAt: new Date(), ...octave });
	return id;
}

export async function getCountedOctave(workshopId: string, id: string): Promise<CountedOctaveRow | undefined> {
	const row = await database().models.countedOctaves.findOne({ where: { workshopId, id } });
	return row?.get();
}

/** The newest first. */
export async function listCountedOctaves(workshopId: string, most = 12): Promise<CountedOctaveRow[]> {
	const rows = await database().models.countedOctaves.findAll({
		where: { workshopId },
		order: [['countedAt', 'DESC']],
		limit: most
	});
	return rows.map((row) => row.get());
}
