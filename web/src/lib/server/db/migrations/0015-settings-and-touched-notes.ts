import type { QueryInterface } from 'sequelize';
import { run } from './statements';

/** What a workshop decides for all its visits; and a plan that touches some notes only names them. */
export async function up(db: QueryInterface): Promise<void> {
	await run(db, 'ALTER TABLE workshops ADD COLUMN IF NOT EXISTS settings LONGTEXT NULL');
	await run(db, 'ALTER TABLE plan_versions ADD COLUMN IF NOT EXISTS touch LONGTEXT NULL');
}

export async function down(db: QueryInterface): Promise<void> {
	await run(db, 'ALTER TABLE plan_versions DROP COLUMN IF EXISTS touch');
	await run(db, 'ALTER TABLE workshops DROP COLUMN IF EXISTS settings');
}
