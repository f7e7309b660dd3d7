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
	return database().models.importParts.count({
		where: { userId, importId, part: { [Op.gte]: 0, [Op.lt]: parts } }
	});
}

/** The parts; how it went stays known. */
export async function forgetParts(userId: string, importId: string): Promise<void> {
	await database().models.importParts.destroy({ where: { userId, importId, part: { [Op.gte]: 0 } } });
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

/** How far a file has come that is taken in: that takes longer than a request may. */
export type TakingIn =
	{ readonly state: 'working' } | { readonly state: 'done' } | { readonly state: 'refused'; readonly problem: string };
/** Kept beside the parts, so that whichever server is asked knows. */
const STATE = -1;

export const keepState = (userId: string, importId: string, state: TakingIn): Promise<void> =>
	keepPart(userId, importId, STATE, JSON.stringify(state));

export async function stateOf(userId: string, importId: string): Promise<TakingIn | undefined> {
	const row = await database().models.importParts.findOne({ where: { userId, importId, part: STATE } });
	return row ? (JSON.parse(row.get().text) as TakingIn) : undefined;
}
