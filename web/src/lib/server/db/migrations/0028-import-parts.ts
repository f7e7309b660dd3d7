import type { QueryInterface } from 'sequelize';
import { run } from './statements';

const ID = 'CHAR(36) BINARY';

/** Parts of a file that is taken in once all of them are there. */
export async function up(db: QueryInterface): Promise<void> {
	await run(
		db,
		`CREATE TABLE IF NOT EXISTS import_parts (
			user_id ${ID} NOT NULL, import_id ${ID} NOT NULL, part INT NOT NULL, text LONGTEXT NOT NULL, at DATETIME(3) NOT NULL,
			PRIMARY KEY (user_id, import_id, part), INDEX import_parts_at (at),
			CONSTRAINT import_parts_of FOREIGN KEY (user_id) REFERENCES users (id) ON DELETE CASCADE)`
	);
}

export async function down(db: QueryInterface): Promise<void> {
	await run(db, 'DROP TABLE IF EXISTS import_parts');
}
