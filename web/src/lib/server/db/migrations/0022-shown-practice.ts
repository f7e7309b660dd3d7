import type { QueryInterface } from 'sequelize';
import { run } from './statements';

/** Whether somebody lets the workshop's technicians see their practice. */
export async function up(db: QueryInterface): Promise<void> {
	await run(db, 'ALTER TABLE users ADD COLUMN IF NOT EXISTS shows_practice TINYINT NOT NULL DEFAULT 0');
}

export async function down(db: QueryInterface): Promise<void> {
	await run(db, 'ALTER TABLE users DROP COLUMN IF EXISTS shows_practice');
}
