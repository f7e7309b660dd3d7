import type { QueryInterface } from 'sequelize';
import { run } from './statements';

/** Sign-ins are counted where every server sees them. */
export async function up(db: QueryInterface): Promise<void> {
	await run(
		db,
		`CREATE TABLE IF NOT EXISTS sign_in_attempts (
			door CHAR(64) PRIMARY KEY, tries INT NOT NULL, until DATETIME(3) NOT NULL,
			INDEX sign_in_attempts_until (until))`
	);
}

export async function down(db: QueryInterface): Promise<void> {
	await run(db, 'DROP TABLE IF EXISTS sign_in_attempts');
}
