import type { QueryInterface } from 'sequelize';
import { run } from './statements';

/** What readings and visits held before there were acts: all of it has been carried over. */
export async function up(db: QueryInterface): Promise<void> {
	await run(
		db,
		`ALTER TABLE readings DROP INDEX IF EXISTS readings_visit_id_taken_at, DROP INDEX IF EXISTS readings_visit_id_note,
			DROP COLUMN IF EXISTS note, DROP COLUMN IF EXISTS string, DROP COLUMN IF EXISTS accepted,
			DROP COLUMN IF EXISTS found, DROP COLUMN IF EXISTS partials,
			MODIFY sounders VARCHAR(200) NOT NULL, MODIFY placed_at DATETIME(3) NOT NULL`
	);
	await run(db, 'ALTER TABLE visits DROP COLUMN IF EXISTS current_note, DROP COLUMN IF EXISTS moved');
}

/** The columns come back; 0008 fills those of readings on the way down. */
export async function down(db: QueryInterface): Promise<void> {
	await run(
		db,
		`ALTER TABLE readings ADD COLUMN IF NOT EXISTS note INT NOT NULL DEFAULT 0,
			ADD COLUMN IF NOT EXISTS string VARCHAR(10) NOT NULL DEFAULT 'middle',
			ADD COLUMN IF NOT EXISTS accepted TINYINT(1) NOT NULL DEFAULT 0,
			ADD COLUMN IF NOT EXISTS found TINYINT(1) NOT NULL DEFAULT 0,
			ADD COLUMN IF NOT EXISTS partials LONGTEXT NULL, MODIFY placed_at DATETIME(3) NULL, MODIFY sounders VARCHAR(200) NOT NULL DEFAULT '',
			ADD INDEX IF NOT EXISTS readings_visit_id_taken_at (visit_id, taken_at),
			ADD INDEX IF NOT EXISTS readings_visit_id_note (visit_id, note)`
	);
	await run(
		db,
		`ALTER TABLE visits ADD COLUMN IF NOT EXISTS current_note INT NULL,
			ADD COLUMN IF NOT EXISTS moved LONGTEXT NOT NULL DEFAULT '{}'`
	);
	await run(db, 'UPDATE visits v JOIN simulated_pins p ON p.visit_id = v.id SET v.moved = p.moved');
}
