import type { QueryInterface } from 'sequelize';
import { run } from './statements';

/** Strings over frets: what a neck is, how it is planned. */
export async function up(db: QueryInterface): Promise<void> {
	await run(db, 'ALTER TABLE instruments ADD COLUMN IF NOT EXISTS neck JSON NULL');
	await run(db, 'ALTER TABLE plan_versions ADD COLUMN IF NOT EXISTS frets JSON NULL');
}

export async function down(db: QueryInterface): Promise<void> {
	await run(db, 'ALTER TABLE plan_versions DROP COLUMN IF EXISTS frets');
	await run(db, 'ALTER TABLE instruments DROP COLUMN IF EXISTS neck');
}
