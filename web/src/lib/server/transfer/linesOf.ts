import { QueryTypes, Transaction } from 'sequelize';
import { database } from '../db/connection';
import { FORMAT, OUT } from './tables';

/** So many rows at once: never all of them in memory. Photos are large: few at a time. */
const AT_ONCE = { usual: 500, attachments: 4 } as const;

/**
 * Everything of a workshop as lines of JSON, some at a time; the first says what it is, and which temperaments of the library its
 * rows may name: on another server these have other numbers. It is as it stood at one moment: what is written meanwhile is not in it.
 */
export async function* linesOf(workshopId: string): AsyncGenerator<string> {
	const isolationLevel = Transaction.ISOLATION_LEVELS.REPEATABLE_READ;
	const transaction = await database().sequelize.transaction({ isolationLevel, readOnly: true });
	try {
		yield* linesAsItStands(workshopId, transaction);
	} finally {
		// Also when whoever reads goes away in the middle.
		await transaction.commit();
	}
}

async function* linesAsItStands(workshopId: string, transaction: Transaction): AsyncGenerator<string> {
	const { sequelize } = database();
	const library = await sequelize.query<{ id: string; slug: string }>(
		'SELECT id, slug FROM temperaments WHERE workshop_id IS NULL ORDER BY slug',
		{ type: QueryTypes.SELECT, transaction }
	);
	const numbers = Object.fromEntries(library.map(({ slug, id }) => [slug, id]));
	yield line({ fendrel: 'workshop', format: FORMAT, at: new Date().toISOString(), library: numbers });
	for (const { table, columns = '*', of = 'workshop_id = :workshopId', keys = ['id'] } of OUT) {
		const most = table === 'attachments' ? AT_ONCE.attachments : AT_ONCE.usual;
		let last: Record<string, unknown> | undefined;
		for (;;) {
			const on = last ? `AND ${behind(keys)}` : '';
			const rows = await sequelize.query<Record<string, unknown>>(
				`SELECT ${columns} FROM ${table} WHERE ${of} ${on} ORDER BY ${keys.join(', ')} LIMIT ${most}`,
				{ type: QueryTypes.SELECT, replacements: { workshopId, ...last }, transaction }
			);
			// A page of rows at once: a word with the network for each row would take longer than the rows.
			if (rows.length) yield rows.map((row) => line({ table, ...row })).join('');
			if (rows.length < most) break;
			const end = rows.at(-1)!;
			last = Object.fromEntries(keys.map((key) => [key, end[key]]));
		}
	}
}

/**
 * Rows behind the last one, by one key or two: as MariaDB finds a place in an index, which it does not for a comparison of whole
 * rows.
 */
const behind = ([first, second]: readonly string[]) =>
	second ? `${first} >= :${first} AND (${first} > :${first} OR ${second} > :${second})` : `${first} > :${first}`;
const line = (of: object) => `${JSON.stringify(of)}\n`;
