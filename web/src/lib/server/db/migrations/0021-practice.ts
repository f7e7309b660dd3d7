import type { QueryInterface } from 'sequelize';
import { run } from './statements';

const ID = 'CHAR(36) BINARY';

/** Sittings of practice, of whoever sat; they go with them. And the ear that somebody has taken over from them. */
export async function up(db: QueryInterface): Promise<void> {
	await run(
		db,
		`CREATE TABLE IF NOT EXISTS sittings (
			id ${ID} NOT NULL PRIMARY KEY, user_id ${ID} NOT NULL, drill VARCHAR(20) NOT NULL, register VARCHAR(20) NOT NULL,
			began_at DATETIME(3) NOT NULL, trials LONGTEXT NOT NULL, is_guessed TINYINT NOT NULL,
			INDEX sittings_user (user_id, drill, register, began_at),
			CONSTRAINT sittings_of FOREIGN KEY (user_id) REFERENCES users (id) ON DELETE CASCADE)`
	);
	await run(db, 'ALTER TABLE users ADD COLUMN IF NOT EXISTS ear TEXT NULL');
}

export async function down(db: QueryInterface): Promise<void> {
	await run(db, 'ALTER TABLE users DROP COLUMN IF EXISTS ear');
	await run(db, 'DROP TABLE IF EXISTS sittings');
}
