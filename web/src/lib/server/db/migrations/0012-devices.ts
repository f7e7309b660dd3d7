import { DataTypes, type QueryInterface } from 'sequelize';
import { addIndex, rows, run } from './statements';

/** Tables whose rows belong to a visit and go with it into another. */
const OF_VISIT = ['readings', 'reading_partials', 'acts', 'plan_versions', 'tuning_curves'];

/**
 * Visits on several devices. An instrument has one open visit: another that was begun meanwhile goes on in it, and its
 * number leads there. What is new in a visit is found by its `seq`; what the simulated lever moved last stands for each
 * note; the first workshop, and what somebody changes on a form, is written once.
 */
export async function up(db: QueryInterface): Promise<void> {
	await db.createTable('visit_aliases', {
		id: { type: DataTypes.UUID, primaryKey: true, allowNull: false },
		visit_id: {
			type: DataTypes.UUID,
			allowNull: false,
			references: { model: 'visits', key: 'id' },
			onDelete: 'CASCADE',
			onUpdate: 'CASCADE'
		}
	});
	await joinOpenVisits(db);
	await run(
		db,
		'ALTER TABLE visits ADD COLUMN IF NOT EXISTS is_open TINYINT AS (IF(finished_at IS NULL, 1, NULL)) VIRTUAL'
	);
	await addIndex(db, 'visits', ['instrument_id', 'is_open'], 'UNIQUE INDEX');
	await addIndex(db, 'readings', ['visit_id', 'seq']);
	await addIndex(db, 'acts', ['visit_id', 'seq']);
	await run(
		db,
		'ALTER TABLE simulated_pins ADD COLUMN IF NOT EXISTS seq INT NOT NULL DEFAULT 0, ADD COLUMN IF NOT EXISTS stamps LONGTEXT NULL'
	);
	await run(db, 'ALTER TABLE workshops ADD COLUMN IF NOT EXISTS first TINYINT NULL');
	await addIndex(db, 'workshops', ['first'], 'UNIQUE INDEX');
	await run(db, 'ALTER TABLE instruments ADD COLUMN IF NOT EXISTS version INT NOT NULL DEFAULT 0');
	await run(db, 'ALTER TABLE temperaments ADD COLUMN IF NOT EXISTS version INT NOT NULL DEFAULT 0');
}

/** Starts sent twice had made several open visits of one instrument: the later ones go on in the first. */
async function joinOpenVisits(db: QueryInterface): Promise<void> {
	const later = await rows<{ id: string; first: string }>(
		db,
		`SELECT v.id, (SELECT f.id FROM visits f WHERE f.instrument_id = v.instrument_id AND f.finished_at IS NULL
			ORDER BY f.started_at, f.id LIMIT 1) AS first
		FROM visits v WHERE v.finished_at IS NULL HAVING v.id <> first`
	);
	for (const { id, first } of later)
		await db.sequelize.transaction(async (whole) => {
			for (const table of OF_VISIT)
				await run(db, `UPDATE ${table} SET visit_id = :first WHERE visit_id = :id`, { id, first }, whole);
			await run(db, 'INSERT INTO visit_aliases (id, visit_id) VALUES (:id, :first)', { id, first }, whole);
			// Made anew at the next start, from both.
			await run(db, 'DELETE FROM visit_sounders WHERE visit_id = :first', { first }, whole);
			await run(db, 'UPDATE instrument_sounders SET visit_id = :first WHERE visit_id = :id', { id, first }, whole);
			await run(db, 'DELETE FROM visits WHERE id = :id', { id }, whole);
		});
}

export async function down(db: QueryInterface): Promise<void> {
	await run(db, 'ALTER TABLE temperaments DROP COLUMN IF EXISTS version');
	await run(db, 'ALTER TABLE instruments DROP COLUMN IF EXISTS version');
	await run(db, 'ALTER TABLE workshops DROP INDEX IF EXISTS workshops_first, DROP COLUMN IF EXISTS first');
	await run(db, 'ALTER TABLE simulated_pins DROP COLUMN IF EXISTS seq, DROP COLUMN IF EXISTS stamps');
	await run(db, 'ALTER TABLE acts DROP INDEX IF EXISTS acts_visit_id_seq');
	await run(db, 'ALTER TABLE readings DROP INDEX IF EXISTS readings_visit_id_seq');
	await run(db, 'ALTER TABLE visits DROP INDEX IF EXISTS visits_instrument_id_is_open, DROP COLUMN IF EXISTS is_open');
	await db.dropTable('visit_aliases');
}
