import type { QueryInterface } from 'sequelize';
import { run } from './statements';

/** What Sound finds out of a string besides its pitch, and how a workshop listens. */
const COLUMNS = [
	['readings', 'found', 'TINYINT(1) NOT NULL DEFAULT 0'],
	['readings', 'listened', 'INTEGER NULL'],
	['readings', 'false_beat', 'DOUBLE NULL'],
	['readings', 'false_beat_depth', 'DOUBLE NULL'],
	['readings', 'spread', 'DOUBLE NULL'],
	['readings', 'spread_error', 'DOUBLE NULL'],
	['workshops', 'listening', 'TEXT NULL']
] as const;

export async function up(db: QueryInterface): Promise<void> {
	for (const [table, column, type] of COLUMNS)
		await run(db, `ALTER TABLE ${table} ADD COLUMN IF NOT EXISTS ${column} ${type}`);
}

export async function down(db: QueryInterface): Promise<void> {
	for (const [table, column] of COLUMNS) await run(db, `ALTER TABLE ${table} DROP COLUMN IF EXISTS ${column}`);
}
