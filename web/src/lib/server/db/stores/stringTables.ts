import type { Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import type { StringLine } from '$lib/instruments/scale/stringLine';
import { database } from '../connection';
import type { StringTableRow } from '../rows';

/** A version of an instrument's table of strings. */
export type StringTable = Pick<StringTableRow, 'id' | 'savedAt' | 'strings'>;

/** Keeps a table as the newest version; the earlier ones stay. */
export async function keepStringTable(
	workshopId: string,
	instrumentId: string,
	strings: StringLine[],
	savedAt = new Date(),
	transaction?: Transaction
): Promise<StringTable> {
	const row = { id: uuid(), workshopId, instrumentId, savedAt, strings };
	await database().models.stringTables.create(row, { transaction });
	return { id: row.id, savedAt, strings };
}

/** The newest first. */
export async function stringTablesOf(workshopId: string, instrumentId: string, most = 20): Promise<StringTable[]> {
	const rows = await database().models.stringTables.findAll({
		where: { workshopId, instrumentId },
		order: [
			['savedAt', 'DESC'],
			['id', 'DESC']
		],
		limit: most
	});
	return rows.map((row) => {
		const { id, savedAt, strings } = row.get();
		return { id, savedAt, strings };
	});
}

/** The newest table of each instrument that has one. */
export async function newestStringTables(workshopId: string): Promise<ReadonlyMap<string, StringLine[]>> {
	const rows = await database().models.stringTables.findAll({ where: { workshopId }, order: [['savedAt', 'ASC']] });
	return new Map(rows.map((row) => [row.get().instrumentId, row.get().strings]));
}
