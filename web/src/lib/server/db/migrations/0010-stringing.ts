import type { QueryInterface } from 'sequelize';
import { run } from './statements';

/** How an instrument is strung, where somebody has said so; null: as its table of strings and its kind say. */
export async function up(db: QueryInterface): Promise<void> {
	await run(db, 'ALTER TABLE instruments ADD COLUMN IF NOT EXISTS stringing LONGTEXT NULL');
}

export async function down(db: QueryInterface): Promise<void> {
	await run(db, 'ALTER TABLE instruments DROP COLUMN IF EXISTS stringing');
}
