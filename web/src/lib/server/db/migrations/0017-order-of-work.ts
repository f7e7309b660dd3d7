import type { QueryInterface } from 'sequelize';
import { run } from './statements';

/** In which order an instrument is set. */
export async function up(db: QueryInterface): Promise<void> {
	await run(db, 'ALTER TABLE plan_versions ADD COLUMN IF NOT EXISTS `order` LONGTEXT NULL');
}

export async function down(db: QueryInterface): Promise<void> {
	await run(db, 'ALTER TABLE plan_versions DROP COLUMN IF EXISTS `order`');
}
