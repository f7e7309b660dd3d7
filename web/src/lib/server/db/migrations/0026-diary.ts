import type { QueryInterface } from 'sequelize';
import { run } from './statements';

const ID = 'CHAR(36) BINARY';

/** Places to drive to, people to ring up, and when one goes there. */
export async function up(db: QueryInterface): Promise<void> {
	await run(
		db,
		`ALTER TABLE places
			ADD COLUMN IF NOT EXISTS address VARCHAR(300) NOT NULL DEFAULT '',
			ADD COLUMN IF NOT EXISTS entry VARCHAR(500) NOT NULL DEFAULT '',
			ADD COLUMN IF NOT EXISTS latitude DOUBLE NULL,
			ADD COLUMN IF NOT EXISTS longitude DOUBLE NULL,
			ADD COLUMN IF NOT EXISTS from_home INT NULL,
			ADD COLUMN IF NOT EXISTS version INT NOT NULL DEFAULT 0`
	);
	await run(
		db,
		`CREATE TABLE IF NOT EXISTS contacts (
			id ${ID} NOT NULL PRIMARY KEY, workshop_id ${ID} NOT NULL, place_id ${ID} NULL, name VARCHAR(120) NOT NULL,
			role VARCHAR(120) NOT NULL, phone VARCHAR(60) NOT NULL, email VARCHAR(190) NOT NULL, note VARCHAR(1000) NOT NULL,
			version INT NOT NULL, changed_at DATETIME(3) NOT NULL,
			INDEX contacts_workshop (workshop_id, name), INDEX contacts_place (place_id),
			CONSTRAINT contacts_of FOREIGN KEY (workshop_id) REFERENCES workshops (id) ON DELETE CASCADE,
			CONSTRAINT contacts_at FOREIGN KEY (place_id) REFERENCES places (id) ON DELETE SET NULL)`
	);
	await run(
		db,
		`ALTER TABLE instruments ADD COLUMN IF NOT EXISTS owner_id ${ID} NULL, ADD COLUMN IF NOT EXISTS archived_at DATETIME(3) NULL`
	);
	await run(
		db,
		`ALTER TABLE instruments ADD CONSTRAINT instruments_owner FOREIGN KEY IF NOT EXISTS (owner_id)
			REFERENCES contacts (id) ON DELETE SET NULL`
	);
	await run(
		db,
		`CREATE TABLE IF NOT EXISTS bookings (
			id ${ID} NOT NULL PRIMARY KEY, workshop_id ${ID} NOT NULL, user_id ${ID} NOT NULL, place_id ${ID} NULL,
			instruments JSON NOT NULL, starts_at DATETIME(3) NOT NULL, minutes INT NOT NULL, purpose VARCHAR(200) NOT NULL,
			promised VARCHAR(1000) NOT NULL, series_id ${ID} NULL, version INT NOT NULL, changed_at DATETIME(3) NOT NULL,
			INDEX bookings_workshop (workshop_id, starts_at), INDEX bookings_user (user_id, starts_at), INDEX bookings_series (series_id),
			CONSTRAINT bookings_of FOREIGN KEY (workshop_id) REFERENCES workshops (id) ON DELETE CASCADE,
			CONSTRAINT bookings_who FOREIGN KEY (user_id) REFERENCES users (id) ON DELETE CASCADE,
			CONSTRAINT bookings_at FOREIGN KEY (place_id) REFERENCES places (id) ON DELETE SET NULL)`
	);
	await run(
		db,
		`CREATE TABLE IF NOT EXISTS calendar_links (
			token_hash CHAR(64) NOT NULL PRIMARY KEY, workshop_id ${ID} NOT NULL, user_id ${ID} NOT NULL, reader VARCHAR(60) NOT NULL,
			made_at DATETIME(3) NOT NULL, read_at DATETIME(3) NULL, INDEX calendar_links_user (user_id),
			CONSTRAINT calendar_links_of FOREIGN KEY (workshop_id) REFERENCES workshops (id) ON DELETE CASCADE,
			CONSTRAINT calendar_links_who FOREIGN KEY (user_id) REFERENCES users (id) ON DELETE CASCADE)`
	);
	await run(
		db,
		`CREATE TABLE IF NOT EXISTS ways (
			workshop_id ${ID} NOT NULL, from_id ${ID} NOT NULL, to_id ${ID} NOT NULL, minutes INT NOT NULL,
			PRIMARY KEY (from_id, to_id), INDEX ways_workshop (workshop_id),
			CONSTRAINT ways_of FOREIGN KEY (workshop_id) REFERENCES workshops (id) ON DELETE CASCADE,
			CONSTRAINT ways_from FOREIGN KEY (from_id) REFERENCES places (id) ON DELETE CASCADE,
			CONSTRAINT ways_to FOREIGN KEY (to_id) REFERENCES places (id) ON DELETE CASCADE)`
	);
}

export async function down(db: QueryInterface): Promise<void> {
	await run(db, 'DROP TABLE IF EXISTS ways');
	await run(db, 'DROP TABLE IF EXISTS calendar_links');
	await run(db, 'DROP TABLE IF EXISTS bookings');
	await run(db, 'ALTER TABLE instruments DROP FOREIGN KEY IF EXISTS instruments_owner');
	await run(db, 'ALTER TABLE instruments DROP COLUMN IF EXISTS owner_id, DROP COLUMN IF EXISTS archived_at');
	await run(db, 'DROP TABLE IF EXISTS contacts');
	await run(
		db,
		`ALTER TABLE places DROP COLUMN IF EXISTS address, DROP COLUMN IF EXISTS entry, DROP COLUMN IF EXISTS latitude,
			DROP COLUMN IF EXISTS longitude, DROP COLUMN IF EXISTS from_home, DROP COLUMN IF EXISTS version`
	);
}
