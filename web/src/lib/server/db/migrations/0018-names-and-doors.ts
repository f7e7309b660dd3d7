import type { QueryInterface } from 'sequelize';
import { addIndex, run } from './statements';

/** Names that people tell apart are apart: accents and signs count, capitals do not. */
const NAMED = 'utf8mb4_uca1400_as_ci';
const FORMER = 'utf8mb4_unicode_ci';
const NAMES = [
	['places', 'name', 120],
	['places', 'town', 120],
	['instruments', 'name', 120],
	['temperaments', 'name', 120]
] as const;

async function collate(db: QueryInterface, collation: string): Promise<void> {
	for (const [table, column, length] of NAMES)
		await run(
			db,
			`ALTER TABLE ${table} MODIFY ${column} VARCHAR(${length}) CHARACTER SET utf8mb4 COLLATE ${collation} NOT NULL`
		);
}

/** What the former collation takes for one name is told apart by its number, so that nothing is in the way. */
async function partNames(db: QueryInterface): Promise<void> {
	for (const table of ['places', 'instruments', 'temperaments'])
		await run(
			db,
			`UPDATE ${table} later JOIN ${table} first ON first.workshop_id = later.workshop_id AND first.id < later.id
				AND first.name = later.name COLLATE ${FORMER}
			SET later.name = CONCAT(LEFT(later.name, 100), ' (', RIGHT(later.id, 12), ')')`
		);
}

/** Places of one name in two towns are two; devices on which somebody has signed in are known. */
export async function up(db: QueryInterface): Promise<void> {
	await collate(db, NAMED);
	await addIndex(db, 'places', ['workshop_id', 'name', 'town'], 'UNIQUE INDEX');
	await run(db, 'ALTER TABLE places DROP INDEX IF EXISTS places_workshop_id_name');
	await run(
		db,
		`CREATE TABLE IF NOT EXISTS known_devices (
			token_hash CHAR(64) NOT NULL, user_id CHAR(36) BINARY NOT NULL, last_at DATETIME(3) NOT NULL,
			PRIMARY KEY (token_hash, user_id), INDEX known_devices_user (user_id, last_at),
			CONSTRAINT known_devices_of FOREIGN KEY (user_id) REFERENCES users (id) ON DELETE CASCADE)`
	);
	await run(
		db,
		`ALTER TABLE sessions ADD COLUMN IF NOT EXISTS device VARCHAR(120) NOT NULL DEFAULT '',
			ADD COLUMN IF NOT EXISTS last_at DATETIME(3) NULL`
	);
}

export async function down(db: QueryInterface): Promise<void> {
	await run(db, 'ALTER TABLE sessions DROP COLUMN IF EXISTS device, DROP COLUMN IF EXISTS last_at');
	await run(db, 'DROP TABLE IF EXISTS known_devices');
	await partNames(db);
	await addIndex(db, 'places', ['workshop_id', 'name'], 'UNIQUE INDEX');
	await run(db, 'ALTER TABLE places DROP INDEX IF EXISTS places_workshop_id_name_town');
	await collate(db, FORMER);
}
