import type { QueryInterface } from 'sequelize';
import { run } from './statements';

/** A plan may hold a raise or lowering that goes before the tuning. */
export async function up(db: QueryInterface): Promise<void> {
	await run(db, 'ALTER TABLE plan_versions ADD COLUMN IF NOT EXISTS raise LONGTEXT NULL');
}

export async function down(db: QueryInterface): Promise<void> {
	await run(db, 'ALTER TABLE plan_versions DROP COLUMN IF EXISTS raise');
}
