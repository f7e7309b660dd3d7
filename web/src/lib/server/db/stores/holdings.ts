import { QueryTypes } from 'sequelize';
import type { Holdings } from '$lib/workshop/holdings';
import { database } from '../connection';

export async function holdingsOf(workshopId: string): Promise<Holdings> {
	const count = (table: string) => `(SELECT COUNT(*) FROM ${table} WHERE workshop_id = :workshopId)`;
	const [row] = await database().sequelize.query<Record<keyof Holdings, number | string>>(
		`SELECT ${count('instruments')} AS instruments, ${count('visits')} AS visits, ${count('readings')} AS readings,
			${count('acts')} AS acts, ${count('attachments')} AS attachments, ${count('temperaments')} AS temperaments,
			${count('users')} AS people, ${count('changes')} AS changes,
			(SELECT COALESCE(SUM(LENGTH(bytes)), 0) FROM attachments WHERE workshop_id = :workshopId) AS attachmentBytes`,
		{ type: QueryTypes.SELECT, replacements: { workshopId } }
	);
	return Object.fromEntries(Object.entries(row).map(([key, value]) => [key, Number(value)])) as unknown as Holdings;
}

/**
 * What of a workshop's goes out with it: rows by table, and by which column they belong to it. Passwords, sessions and links do not.
 */
const OUT: readonly { readonly table: string; readonly columns?: string; readonly of?: string }[] = [
	{ table: 'workshops', of: 'id' },
	{ table: 'users', columns: 'id, email, name, role, created_at, deleted_at, ear, shows_practice' },
	{ table: 'sittings', of: 'user_id IN (SELECT id FROM users WHERE workshop_id = :workshopId)' },
	{ table: 'guest_places', of: 'user_id IN (SELECT id FROM users WHERE workshop_id = :workshopId)' },
	{ table: 'places' },
	{ table: 'ways' },
	{ table: 'place_climate' },
	{ table: 'contacts' },
	{ table: 'instruments' },
	{ table: 'string_tables' },
	{ table: 'tuning_curves' },
	{ table: 'temperaments' },
	{ table: 'counted_octaves' },
	{ table: 'ensembles' },
	{ table: 'bookings' },
	{ table: 'visits' },
	{ table: 'plan_versions' },
	{ table: 'readings' },
	{ table: 'reading_partials', of: 'visit_id IN (SELECT id FROM visits WHERE workshop_id = :workshopId)' },
	{ table: 'acts' },
	{ table: 'attachments', columns: 'visit_id, id, type, hash, added_at, TO_BASE64(bytes) AS bytes' },
	{ table: 'changes' }
];
/** So many rows at once: never all of them in memory. */
const AT_ONCE = 500;

/** Everything of a workshop as lines of JSON, some at a time; the first says what it is. */
export async function* linesOf(workshopId: string): AsyncGenerator<string> {
	const { sequelize } = database();
	yield line({ fendrel: 'workshop', format: 1, at: new Date().toISOString() });
	for (const { table, columns = '*', of } of OUT) {
		const where = of === undefined ? 'workshop_id = :workshopId' : of === 'id' ? 'id = :workshopId' : of;
		// Photos are large: few at a time.
		const most = table === 'attachments' ? 4 : AT_ONCE;
		const keys = KEYS[table] ?? ['id'];
		let last: Record<string, unknown> | undefined;
		for (;;) {
			const on = last ? `AND ${behind(keys)}` : '';
			const rows = await sequelize.query<Record<string, unknown>>(
				`SELECT ${columns} FROM ${table} WHERE ${where} ${on} ORDER BY ${keys.join(', ')} LIMIT ${most}`,
				{ type: QueryTypes.SELECT, replacements: { workshopId, ...last } }
			);
			// A page of rows at once: a word with the network for each row would take longer than the rows.
			if (rows.length) yield rows.map((row) => line({ table, ...row })).join('');
			if (rows.length < most) break;
			const end = rows.at(-1)!;
			last = Object.fromEntries(keys.map((key) => [key, end[key]]));
		}
	}
}
/** What rows are told apart by, where it is not their id: the next page begins behind the last of these. */
const KEYS: Readonly<Record<string, readonly string[]>> = {
	readings: ['visit_id', 'id'],
	acts: ['visit_id', 'id'],
	attachments: ['visit_id', 'id'],
	reading_partials: ['visit_id', 'reading_id'],
	ways: ['from_id', 'to_id'],
	place_climate: ['place_id', 'day'],
	guest_places: ['user_id', 'place_id']
};
/**
 * Rows behind the last one, by one key or two: as MariaDB finds a place in an index, which it does not for a comparison of whole
 * rows.
 */
const behind = ([first, second]: readonly string[]) =>
	second ? `${first} >= :${first} AND (${first} > :${first} OR ${second} > :${second})` : `${first} > :${first}`;
const line = (of: object) => `${JSON.stringify(of)}\n`;
