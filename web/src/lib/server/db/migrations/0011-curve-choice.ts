import type { QueryInterface } from 'sequelize';
import { hasColumn, run } from './statements';

/** Tables that rest on a curve. */
const TABLES = ['visits', 'counted_octaves'];
const IS_ID = "stretch REGEXP '^[0-9a-f-]{36}$'";

/**
 * Which curve a visit or a counted octave rests on: one that was taken, by its id, or what leads one drawn afresh, or
 * none. It was one word for all three.
 */
export async function up(db: QueryInterface): Promise<void> {
	for (const table of TABLES) {
		await run(
			db,
			`ALTER TABLE ${table}
				ADD COLUMN IF NOT EXISTS curve_id CHAR(36) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NULL,
				ADD COLUMN IF NOT EXISTS curve_lead VARCHAR(20) NULL`
		);
		if (await hasColumn(db, table, 'stretch')) {
			await run(
				db,
				`UPDATE ${table} SET curve_id = (SELECT c.id FROM tuning_curves c WHERE c.id = stretch),
					curve_lead = IF(${IS_ID} OR stretch = 'none', NULL, stretch)`
			);
		}
		await run(
			db,
			`ALTER TABLE ${table}
				ADD CONSTRAINT FOREIGN KEY IF NOT EXISTS ${table}_curve (curve_id) REFERENCES tuning_curves (id)
					ON DELETE RESTRICT ON UPDATE RESTRICT`
		);
		await run(
			db,
			`ALTER TABLE ${table} ADD CONSTRAINT IF NOT EXISTS ${table}_one_curve CHECK (curve_id IS NULL OR curve_lead IS NULL),
				DROP COLUMN IF EXISTS stretch`
		);
	}
}

export async function down(db: QueryInterface): Promise<void> {
	for (const table of TABLES) {
		await run(db, `ALTER TABLE ${table} ADD COLUMN IF NOT EXISTS stretch VARCHAR(40) NOT NULL DEFAULT 'none'`);
		if (await hasColumn(db, table, 'curve_id'))
			await run(db, `UPDATE ${table} SET stretch = COALESCE(curve_id, curve_lead, 'none')`);
		await run(
			db,
			`ALTER TABLE ${table} DROP CONSTRAINT IF EXISTS ${table}_one_curve, DROP FOREIGN KEY IF EXISTS ${table}_curve`
		);
		await run(db, `ALTER TABLE ${table} DROP INDEX IF EXISTS ${table}_curve`);
		await run(db, `ALTER TABLE ${table} DROP COLUMN IF EXISTS curve_id, DROP COLUMN IF EXISTS curve_lead`);
	}
}
