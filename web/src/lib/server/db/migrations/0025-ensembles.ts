import type { QueryInterface } from 'sequelize';
import { run } from './statements';

const ID = 'CHAR(36) BINARY';

/** Who plays with whom. */
export async function up(db: QueryInterface): Promise<void> {
	await run(
		db,
		`CREATE TABLE IF NOT EXISTS ensembles (
			id ${ID} NOT NULL PRIMARY KEY, workshop_id ${ID} NOT NULL, name VARCHAR(120) NOT NULL, members JSON NOT NULL,
			version INT NOT NULL, changed_at DATETIME(3) NOT NULL,
			INDEX ensembles_workshop (workshop_id, name),
			CONSTRAINT ensembles_of FOREIGN KEY (workshop_id) REFERENCES workshops (id) ON DELETE CASCADE)`
	);
}

export async function down(db: QueryInterface): Promise<void> {
	await run(db, 'DROP TABLE IF EXISTS ensembles');
}
