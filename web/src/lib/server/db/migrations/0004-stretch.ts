import type { QueryInterface } from 'sequelize';
import { run } from './statements';

/** Tables whose rows rest on a curve. Rows from before had none, and keep none: what they say stays what it was. */
const TABLES = ['visits', 'counted_octaves'];

export async function up(db: QueryInterface): Promise<void> {
	for (const table of TABLES)
		await run(db, `ALTER TABLE ${table} ADD COLUMN IF NOT EXISTS stretch VARCHAR(40) NOT NULL DEFAULT 'none'`);
}

export async function down(db: QueryInterface): Promise<void> {
	for (const table of TABLES) await run(db, `ALTER TABLE ${table} DROP COLUMN IF EXISTS stretch`);
}
