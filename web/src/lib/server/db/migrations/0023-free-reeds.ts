import type { QueryInterface } from 'sequelize';
import { run } from './statements';

/** Free reeds: which note each is, tones that last, where reeds are planned to stand. */
export async function up(db: QueryInterface): Promise<void> {
	await run(db, 'ALTER TABLE instruments ADD COLUMN IF NOT EXISTS reeds JSON NULL');
	await run(db, "ALTER TABLE readings ADD COLUMN IF NOT EXISTS way VARCHAR(12) NOT NULL DEFAULT 'struck'");
	await run(db, 'ALTER TABLE readings ADD COLUMN IF NOT EXISTS lasting JSON NULL');
	await run(db, 'ALTER TABLE plan_versions ADD COLUMN IF NOT EXISTS intonation JSON NULL');
}

export async function down(db: QueryInterface): Promise<void> {
	await run(db, 'ALTER TABLE instruments DROP COLUMN IF EXISTS reeds');
	await run(db, 'ALTER TABLE readings DROP COLUMN IF EXISTS way');
	await run(db, 'ALTER TABLE readings DROP COLUMN IF EXISTS lasting');
	await run(db, 'ALTER TABLE plan_versions DROP COLUMN IF EXISTS intonation');
}
