import type { QueryInterface } from 'sequelize';
import { addIndex, hasColumn, run } from './statements';

/** What can be deleted and brought back. */
const DELETABLE = ['users', 'instruments', 'visits'] as const;
const ID = 'CHAR(36) BINARY';

/** Who may do what, links that let somebody in, the trail of changes, and what is deleted but not gone yet. */
export async function up(db: QueryInterface): Promise<void> {
	await run(db, "ALTER TABLE users ADD COLUMN IF NOT EXISTS role VARCHAR(12) NOT NULL DEFAULT 'owner'");
	for (const table of DELETABLE)
		await run(
			db,
			`ALTER TABLE ${table} ADD COLUMN IF NOT EXISTS deleted_at DATETIME(3) NULL,
				ADD COLUMN IF NOT EXISTS deleted_by ${ID} NULL`
		);
	for (const table of DELETABLE) await addIndex(db, table, ['deleted_at', 'workshop_id']);
	// A deleted one's name is free.
	await run(
		db,
		'ALTER TABLE instruments ADD COLUMN IF NOT EXISTS is_kept TINYINT AS (IF(deleted_at IS NULL, 1, NULL)) VIRTUAL'
	);
	await addIndex(db, 'instruments', ['workshop_id', 'name', 'is_kept'], 'UNIQUE INDEX');
	await run(db, 'ALTER TABLE instruments DROP INDEX IF EXISTS instruments_workshop_id_name');
	await openMeans(db, 'finished_at IS NULL AND deleted_at IS NULL');
	await makePeople(db);
}

/** One visit of an instrument is open at a time; what that is, is reckoned anew. */
async function openMeans(db: QueryInterface, open: string): Promise<void> {
	await run(db, 'ALTER TABLE visits DROP INDEX IF EXISTS visits_instrument_id_is_open');
	if (await hasColumn(db, 'visits', 'is_open')) await run(db, 'ALTER TABLE visits DROP COLUMN is_open');
	await run(db, `ALTER TABLE visits ADD COLUMN is_open TINYINT AS (IF(${open}, 1, NULL)) VIRTUAL`);
	await addIndex(db, 'visits', ['instrument_id', 'is_open'], 'UNIQUE INDEX');
}

async function makePeople(db: QueryInterface): Promise<void> {
	await run(
		db,
		`CREATE TABLE IF NOT EXISTS guest_places (
			user_id ${ID} NOT NULL, place_id ${ID} NOT NULL, PRIMARY KEY (user_id, place_id),
			CONSTRAINT guest_places_user FOREIGN KEY (user_id) REFERENCES users (id) ON DELETE CASCADE,
			CONSTRAINT guest_places_place FOREIGN KEY (place_id) REFERENCES places (id) ON DELETE CASCADE)`
	);
	await run(
		db,
		`CREATE TABLE IF NOT EXISTS invitations (
			token_hash CHAR(64) NOT NULL PRIMARY KEY, workshop_id ${ID} NOT NULL, role VARCHAR(12) NOT NULL,
			places TEXT NOT NULL, user_id ${ID} NULL, made_by ${ID} NULL, made_at DATETIME(3) NOT NULL, expires_at DATETIME(3) NOT NULL,
			INDEX invitations_workshop (workshop_id, expires_at),
			CONSTRAINT invitations_of FOREIGN KEY (workshop_id) REFERENCES workshops (id) ON DELETE CASCADE,
			CONSTRAINT invitations_for FOREIGN KEY (user_id) REFERENCES users (id) ON DELETE CASCADE,
			CONSTRAINT invitations_by FOREIGN KEY (made_by) REFERENCES users (id) ON DELETE SET NULL)`
	);
	await run(
		db,
		`CREATE TABLE IF NOT EXISTS changes (
			id ${ID} NOT NULL PRIMARY KEY, workshop_id ${ID} NOT NULL, user_id ${ID} NULL, at DATETIME(3) NOT NULL,
			what VARCHAR(40) NOT NULL, subject_id ${ID} NULL, name VARCHAR(200) NOT NULL, said LONGTEXT NULL,
			INDEX changes_workshop (workshop_id, at),
			CONSTRAINT changes_of FOREIGN KEY (workshop_id) REFERENCES workshops (id) ON DELETE CASCADE,
			CONSTRAINT changes_by FOREIGN KEY (user_id) REFERENCES users (id) ON DELETE SET NULL)`
	);
}

/** What is deleted comes back: an earlier version knows no deletion. Names taken twice by it are told apart. */
export async function down(db: QueryInterface): Promise<void> {
	for (const table of ['changes', 'invitations', 'guest_places']) await run(db, `DROP TABLE IF EXISTS ${table}`);
	if (await hasColumn(db, 'instruments', 'deleted_at'))
		await run(
			db,
			`UPDATE instruments SET name = CONCAT(LEFT(name, 100), ' (', RIGHT(id, 12), ')') WHERE deleted_at IS NOT NULL`
		);
	// Of two visits that would be open, the deleted one ended when it was deleted.
	if (await hasColumn(db, 'visits', 'deleted_at'))
		await run(db, 'UPDATE visits SET finished_at = deleted_at WHERE deleted_at IS NOT NULL AND finished_at IS NULL');
	await openMeans(db, 'finished_at IS NULL');
	await addIndex(db, 'instruments', ['workshop_id', 'name'], 'UNIQUE INDEX');
	await run(db, 'ALTER TABLE instruments DROP INDEX IF EXISTS instruments_workshop_id_name_is_kept');
	await run(db, 'ALTER TABLE instruments DROP COLUMN IF EXISTS is_kept');
	for (const table of DELETABLE) {
		await run(db, `ALTER TABLE ${table} DROP INDEX IF EXISTS ${table}_deleted_at_workshop_id`);
		await run(db, `ALTER TABLE ${table} DROP COLUMN IF EXISTS deleted_at, DROP COLUMN IF EXISTS deleted_by`);
	}
	await run(db, 'ALTER TABLE users DROP COLUMN IF EXISTS role');
}
