import { database } from '../connection';
import type { ReadingRow } from '../models';

export type NewReading = Omit<ReadingRow, 'workshopId' | 'visitId'>;

/** Stores readings; one that is there already (by its id) is left as it is, so sending twice stores once. */
export async function saveReadings(
	workshopId: string,
	visitId: string,
	readings: readonly NewReading[]
): Promise<void> {
	const rows = readings.map((reading) => ({ ...reading, workshopId, visitId }));
	await database().models.readings.bulkCreate(rows, { ignoreDuplicates: true });
}

/** All readings of a visit, oldest first. */
export async function readingsOf(workshopId: string, visitId: string): Promise<ReadingRow[]> {
	const rows = await database().models.readings.findAll({
		where: { workshopId, visitId },
		order: [['takenAt', 'ASC']]
	});
	return rows.map((row) => row.get());
}

/** The same for several visits, without the partials. */
export async function figuresOf(
	workshopId: string,
	visitIds: readonly string[]
): Promise<Omit<ReadingRow, 'partials'>[]> {
	const rows = await database().models.readings.findAll({
		where: { workshopId, visitId: [...visitIds] },
		attributes: { exclude: ['partials'] },
		order: [['takenAt', 'ASC']]
	});
	return rows.map((row) => row.get());
}
