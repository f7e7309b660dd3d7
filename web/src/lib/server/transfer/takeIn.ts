import { randomBytes } from 'node:crypto';
import { error } from '@sveltejs/kit';
import { QueryTypes, type Transaction } from 'sequelize';
import { z } from 'zod';
import type { Who } from '../auth/session';
import { hashPassword } from '../auth/signIn';
import { database } from '../db/connection';
import { isDuplicate } from '../db/faults';
import { noteChange } from '../db/stores/changes';
import { userById } from '../db/stores/accounts';
import { inTransaction } from '../db/transaction';
import { log } from '../log';
import { rebuildSummaries } from '../record/keep';
import { FORMAT, OLDEST_FORMAT, OUT } from './tables';
import { columnsOf, type Column } from './columns';

/** What a file begins with. */
const headerSchema = z.object({
	fendrel: z.literal('workshop'),
	format: z.number().int(),
	at: z.iso.datetime(),
	library: z.record(z.string(), z.uuid()).optional()
});
type Row = Record<string, unknown> & { readonly table: string };
type Lines = () => AsyncGenerator<string>;

/** Rows that are written at once. */
const AT_ONCE = 250;
const UUID = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g;
/** What an empty workshop has none of. */
const EMPTY = [
	'instruments',
	'visits',
	'places',
	'contacts',
	'bookings',
	'ensembles',
	'counted_octaves',
	'temperaments'
];

const SUMMARIES =
	'All of it is here, but what its visits came to could not be worked out: whoever runs the server can ask for that with “npm run summaries”.';

const refuse = (message: string) => error(400, { message });

/**
 * Takes a whole workshop in, from what `linesOf` gave, into one that is still empty: all of it or nothing. Things keep their numbers;
 * the workshop and whoever takes it in (by their e-mail address) keep their own, the library's temperaments have this server's.
 * @param lines gone through twice @returns rows by table
 * @throws 400 where the file is none, or damaged; 409 where the workshop is not empty, or its things are on this server already
 */
export async function takeInWorkshop(who: Who, lines: Lines): Promise<Record<string, number>> {
	await refuseUnlessEmpty(who.workshopId);
	const ground = await survey(who, lines);
	// Nobody can sign in with it: the owner lets each choose a new password.
	const passwordHash = await hashPassword(randomBytes(32).toString('base64url'));
	const { counts, instruments } = await inTransaction(async (transaction) => {
		await refuseUnlessEmpty(who.workshopId, transaction);
		const { sequelize } = database();
		const setting = (text: string) => sequelize.query(text, { transaction });
		// Rows name others that come later; what they name was checked before.
		await setting('SET FOREIGN_KEY_CHECKS = 0');
		try {
			const written = await write(who, lines, ground, passwordHash, transaction);
			await noteChange(who, { what: 'workshop taken in', subjectId: who.workshopId, name: ground.name }, transaction);
			return written;
		} catch (fault) {
			if (isDuplicate(fault))
				error(409, { message: 'These instruments or accounts are on this server already. Nothing was taken in.' });
			throw fault;
		} finally {
			await setting('SET FOREIGN_KEY_CHECKS = 1');
		}
	});
	try {
		await rebuildSummaries(instruments);
	} catch (fault) {
		log.error({ err: fault }, 'summaries of a workshop that was taken in could not be made');
		error(400, { message: SUMMARIES });
	}
	return counts;
}

async function refuseUnlessEmpty(workshopId: string, transaction?: Transaction): Promise<void> {
	const counts = EMPTY.map((table) => `(SELECT COUNT(*) FROM ${table} WHERE workshop_id = :workshopId)`).join(' + ');
	const [{ held }] = await database().sequelize.query<{ held: number }>(`SELECT ${counts} AS held`, {
		...{ type: QueryTypes.SELECT, replacements: { workshopId }, transaction }
	});
	if (Number(held) > 0)
		error(409, { message: 'This workshop holds something already. Take it into one that is still empty.' });
}

/** What a file names, and what its numbers become here. */
interface Ground {
	readonly name: string;
	readonly numbers: ReadonlyMap<string, string>;
	readonly columns: ReadonlyMap<string, ReadonlyMap<string, Column>>;
}

/** Reads all of it once: what is damaged is refused before anything is written. */
async function survey(who: Who, lines: Lines): Promise<Ground> {
	const columns = await columnsOf(OUT.map(({ table }) => table));
	const ids = new Map<string, Set<string>>(OUT.map(({ table }) => [table, new Set<string>()]));
	const numbers = new Map<string, string>();
	const named: { readonly line: number; readonly table: string; readonly id: string }[] = [];
	const me = await userById(who.userId);
	let [count, name] = [0, ''];
	for await (const text of lines()) {
		count++;
		const value = parsed(text, count);
		if (count === 1) {
			await readHeader(value, numbers);
			continue;
		}
		const row = checkedRow(value, count, columns);
		const { table } = row;
		if (typeof row.id === 'string') ids.get(table)!.add(row.id);
		if (table === 'workshops') {
			if (name) refuse(`Line ${count}: a second workshop.`);
			name = String(row.name);
			numbers.set(String(row.id), who.workshopId);
		}
		if (table === 'users' && String(row.email).toLowerCase() === me?.email) numbers.set(String(row.id), who.userId);
		for (const [column, { refers }] of columns.get(table)!)
			if (refers && row[column] !== null && row[column] !== undefined)
				named.push({ line: count, table: refers, id: String(row[column]) });
	}
	if (!name) refuse('The file holds no workshop.');
	for (const { line, table, id } of named)
		if (!ids.get(table)?.has(id) && !(table === 'temperaments' && numbers.has(id)))
			refuse(`Line ${line} names something of “${table}” that is not in the file.`);
	return { name, numbers, columns };
}

function parsed(text: string, line: number): unknown {
	try {
		return JSON.parse(text);
	} catch {
		return refuse(`Line ${line} cannot be read. The file is damaged, or not all of it is there.`);
	}
}

async function readHeader(value: unknown, numbers: Map<string, string>): Promise<void> {
	const header = headerSchema.safeParse(value);
	if (!header.success) return refuse('This is no file of a workshop: its first line does not say so.');
	const { format, library = {} } = header.data;
	if (format > FORMAT) refuse('A later version of Fendrel made this file. Bring this server up to date first.');
	if (format < OLDEST_FORMAT)
		refuse('An earlier version of Fendrel made this file. Make it anew there, with a version as new as this one.');
	const here = await database().models.temperaments.findAll({
		where: { workshopId: null },
		attributes: ['id', 'slug']
	});
	const bySlug = new Map(here.map((row) => [row.get().slug, row.get().id]));
	for (const [slug, id] of Object.entries(library)) {
		const known = bySlug.get(slug);
		if (!known) refuse(`The library here has no temperament “${slug}”. Bring this server up to date first.`);
		numbers.set(id, known!);
	}
}

/** A row whose table and columns are known, and whose values a column can hold. */
function checkedRow(value: unknown, line: number, columns: Ground['columns']): Row {
	const table = (value as Row | null)?.table;
	const known = typeof table === 'string' ? columns.get(table) : undefined;
	if (!known) return refuse(`Line ${line} is of no table that is known here.`);
	for (const [column, held] of Object.entries(value as Row)) {
		if (column === 'table') continue;
		const of = known.get(column);
		if (!of) refuse(`Line ${line}: “${table}” has no column “${column}” here.`);
		if (held !== null && typeof held === 'object' && of!.type !== 'longtext')
			refuse(`Line ${line}: “${column}” is to be one value.`);
		if (of!.isTime && held !== null && Number.isNaN(Date.parse(String(held))))
			refuse(`Line ${line}: “${column}” is no time.`);
	}
	return value as Row;
}

async function write(
	who: Who,
	lines: Lines,
	{ numbers, columns }: Ground,
	passwordHash: string,
	transaction: Transaction
) {
	const counts: Record<string, number> = {};
	const instruments: string[] = [];
	let batch: { table: string; rows: Record<string, unknown>[] } = { table: '', rows: [] };
	const flush = async () => {
		const { table, rows } = batch;
		if (rows.length) await database().sequelize.getQueryInterface().bulkInsert(table, rows, { transaction });
		batch = { table: '', rows: [] };
	};
	let count = 0;
	for await (const text of lines()) {
		if (++count === 1) continue;
		const { table, ...row } = JSON.parse(text.replace(UUID, (id) => numbers.get(id) ?? id)) as Row;
		counts[table] = (counts[table] ?? 0) + 1;
		// A row of nobody's would be everybody's: a temperament without a workshop is the library's.
		const isOwned = columns.get(table)!.has('workshop_id') && table !== 'users';
		if (isOwned && row.workshop_id !== who.workshopId) refuse(`Line ${count} is of another workshop.`);
		if (table === 'workshops') {
			await database().models.workshops.update(
				{
					name: String(row.name),
					listening: unpacked(row.listening) as never,
					settings: unpacked(row.settings) as never
				},
				{ where: { id: who.workshopId }, transaction }
			);
			continue;
		}
		// Whoever takes it in is there already.
		if (table === 'users' && row.id === who.userId) continue;
		if (table === 'instruments') instruments.push(String(row.id));
		if (batch.table !== table || batch.rows.length >= (table === 'attachments' ? 4 : AT_ONCE)) await flush();
		batch.table = table;
		const said = table === 'users' ? { ...row, workshop_id: who.workshopId, password_hash: passwordHash } : row;
		batch.rows.push(held(said, columns.get(table)!));
	}
	await flush();
	return { counts, instruments };
}

const unpacked = (value: unknown): unknown => (typeof value === 'string' ? JSON.parse(value) : (value ?? null));

/** A row as its table holds it; what the database works out by itself is left to it. */
function held(row: Record<string, unknown>, columns: ReadonlyMap<string, Column>): Record<string, unknown> {
	return Object.fromEntries(
		Object.entries(row)
			.filter(([column]) => !columns.get(column)!.isGenerated)
			.map(([column, value]) => [column, heldValue(value, columns.get(column)!)])
	);
}

function heldValue(value: unknown, { type, isTime, isNullable }: Column): unknown {
	if (value === null) return !isNullable && type === 'longtext' ? 'null' : null;
	if (isTime) return new Date(String(value)).toISOString().replace('T', ' ').replace('Z', '');
	if (type.endsWith('blob')) return Buffer.from(String(value), 'base64');
	return typeof value === 'object' ? JSON.stringify(value) : value;
}
