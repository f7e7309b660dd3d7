import { QueryTypes, type QueryInterface, type Transaction } from 'sequelize';

/*
 * What migrations are made of. A server may be killed between any two statements and run the whole migration again: so
 * each statement asks whether its work is done already (IF EXISTS, IF NOT EXISTS, hasColumn).
 */

/** The type keeps the driver's answer from being taken for rows. */
export async function run(
	db: QueryInterface,
	sql: string,
	replacements: Record<string, unknown> = {},
	transaction?: Transaction
): Promise<void> {
	await db.sequelize.query(sql, { type: QueryTypes.UPDATE, replacements, transaction });
}

export async function rows<Row extends object>(
	db: QueryInterface,
	sql: string,
	replacements: Record<string, unknown> = {},
	transaction?: Transaction
): Promise<Row[]> {
	return db.sequelize.query<Row>(sql, { type: QueryTypes.SELECT, replacements, transaction });
}

export async function hasColumn(db: QueryInterface, table: string, column: string): Promise<boolean> {
	const found = await rows(
		db,
		`SELECT 1 FROM information_schema.columns
		WHERE table_schema = DATABASE() AND table_name = :table AND column_name = :column`,
		{ table, column }
	);
	return found.length > 0;
}

/** How many columns a table's primary key has. */
export async function keyColumns(db: QueryInterface, table: string): Promise<number> {
	const [found] = await rows<{ columns: number }>(
		db,
		`SELECT COUNT(*) AS columns FROM information_schema.key_column_usage
		WHERE table_schema = DATABASE() AND table_name = :table AND constraint_name = 'PRIMARY'`,
		{ table }
	);
	return Number(found.columns);
}

/** Named after its table and columns. */
export async function addIndex(
	db: QueryInterface,
	table: string,
	columns: readonly string[],
	kind: 'INDEX' | 'UNIQUE INDEX' = 'INDEX'
): Promise<void> {
	const name = [table, ...columns].join('_');
	await run(db, `ALTER TABLE ${table} ADD ${kind} IF NOT EXISTS ${name} (${columns.join(', ')})`);
}

/** So many rows to a statement: a large table is not locked for minutes, and no statement outgrows the server's limits. */
const BATCH = 200;

/**
 * Goes through a table by its key, batch by batch.
 * @param select must take `:after` and `:most`, and order by `id`
 */
export async function inBatches<Row extends { readonly id: string }>(
	db: QueryInterface,
	select: string,
	take: (batch: readonly Row[]) => Promise<void>
): Promise<void> {
	let after = '';
	for (;;) {
		const batch = await rows<Row>(db, select, { after, most: BATCH });
		if (batch.length > 0) await take(batch);
		if (batch.length < BATCH) return;
		after = batch[batch.length - 1].id;
	}
}
