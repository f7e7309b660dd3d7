import type { QueryInterface } from 'sequelize';
import { run } from './statements';

const ID = 'CHAR(36) BINARY';

/** What owners play into their telephones before anybody drives there. */
export async function up(db: QueryInterface): Promise<void> {
	await run(
		db,
		`CREATE TABLE IF NOT EXISTS telephone_looks (
			id ${ID} NOT NULL PRIMARY KEY, workshop_id ${ID} NOT NULL, instrument_id ${ID} NOT NULL, user_id ${ID} NULL,
			token_hash CHAR(64) NULL, made_at DATETIME(3) NOT NULL, ends_at DATETIME(3) NOT NULL,
			heard_at DATETIME(3) NULL, heard JSON NULL, told JSON NULL, agreed_at DATETIME(3) NULL, agreed_by VARCHAR(80) NOT NULL DEFAULT '',
			UNIQUE INDEX telephone_looks_token (token_hash), INDEX telephone_looks_instrument (instrument_id, made_at),
			CONSTRAINT telephone_looks_of FOREIGN KEY (workshop_id) REFERENCES workshops (id) ON DELETE CASCADE,
			CONSTRAINT telephone_looks_at FOREIGN KEY (instrument_id) REFERENCES instruments (id) ON DELETE CASCADE,
			CONSTRAINT telephone_looks_who FOREIGN KEY (user_id) REFERENCES users (id) ON DELETE SET NULL)`
	);
}

export async function down(db: QueryInterface): Promise<void> {
	await run(db, 'DROP TABLE IF EXISTS telephone_looks');
}
