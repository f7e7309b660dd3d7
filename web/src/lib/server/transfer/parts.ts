import { Op, QueryTypes } from 'sequelize';
import { database } from '../db/connection';

/*
 * A file of a workshop is larger than one request may be: it comes in parts, which wait here until the last one is there.
 */

/** Parts that nobody asked to be taken in are forgotten after a day. */
const KEPT_MS = 86_400_000;
/** Parts of one file: two gigabytes. */
export const MOST_PARTS = 2000;

export async function keepPart(userId: string, importId: string, part: number, text: string): Promise<void> {
	const { importParts } = database().models;
	await importParts.destroy({ where: { at: { [Op.lt]: new Date(Date.now() - KEPT_MS) } } });
	await importParts.bulkCreate([{ importId, userId, part, text, at: new Date() }], {
		updateOnDuplicate: ['text', 'at']
	});
}

/** How many of the first so many parts are there. */
export async function partsThere(userId: string, importId: string, parts: number): Promise<number> {
	return database().models.importParts.count({ where: { userId, importId, part: { [Op.lt]: parts } } });
}

export async function forgetParts(userId: string, importId: string): Promise<void> {
	await database().models.importParts.destroy({ where: { userId, importId } });
}

/** The lines of a file that came in parts; a line may go on in the next part. */
export async function* linesIn(userId: string, importId: string, parts: number): AsyncGenerator<string> {
	let rest = '';
	for (let part = 0; part < parts; part++) {
		const [row] = await database().sequelize.query<{ text: string }>(
			'SELECT text FROM import_parts WHERE user_id = :userId AND import_id = :importId AND part = :part',
			{ type: QueryTypes.SELECT, replacements: { userId, importId, part } }
		);
		const lines = (rest + (row?.text ?? '')).split('\n');
		rest = lines.pop()!;
		for (const line of lines) if (line.trim()) yield line;
	}
	if (rest.trim()) yield rest;
}
