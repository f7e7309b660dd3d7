import { Op, type Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { database } from '../connection';
import type { ChangeRow } from '../rows';

export type NotedChange = Pick<ChangeRow, 'what' | 'subjectId' | 'name'> & { readonly said?: ChangeRow['said'] };

/** Adds to a workshop's trail who changed what; in the transaction that changes it, both happen or neither. */
export async function noteChange(
	{ workshopId, userId }: Pick<ChangeRow, 'workshopId' | 'userId'>,
	{ what, subjectId, name, said }: NotedChange,
	transaction?: Transaction
): Promise<void> {
	await database().models.changes.create(
		{ id: uuid(), workshopId, userId, at: new Date(), what, subjectId, name: name.slice(0, 200), said: said ?? null },
		{ transaction }
	);
}

/** A page of a workshop's trail, the newest first. @param before the last of the page before, by its id */
export async function changesOf(workshopId: string, most: number, before?: string): Promise<ChangeRow[]> {
	const { changes } = database().models;
	// Version 7 ids rise with time.
	const rows = await changes.findAll({
		where: { workshopId, ...(before && { id: { [Op.lt]: before } }) },
		order: [['id', 'DESC']],
		limit: most
	});
	return rows.map((row) => row.get());
}

/** Somebody whose account is erased has no name in the trail any more. */
export async function forgetName(workshopId: string, userId: string, transaction: Transaction): Promise<void> {
	const { changes } = database().models;
	await changes.update({ name: '', said: null }, { where: { workshopId, subjectId: userId }, transaction });
}

const MOST_SAID = 160;
const asText = (value: unknown) => {
	const text = typeof value === 'string' ? value : value === null || value === undefined ? '' : JSON.stringify(value);
	return text.length > MOST_SAID ? `${text.slice(0, MOST_SAID)} …` : text;
};

/** What differs between two records, by field. */
export function difference(before: object, after: object): ChangeRow['said'] {
	const was = new Map(Object.entries(before));
	const differs = Object.entries(after).flatMap(([field, now]): [string, [string, string]][] => {
		const [from, to] = [asText(was.get(field)), asText(now)];
		return JSON.stringify(was.get(field) ?? null) === JSON.stringify(now ?? null) ? [] : [[field, [from, to]]];
	});
	return differs.length ? Object.fromEntries(differs) : null;
}
