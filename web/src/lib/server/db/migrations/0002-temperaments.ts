import type { QueryInterface } from 'sequelize';
import { hasColumn, run } from './statements';

/** The library's descriptions follow when the table is brought in line with it. */
const NO_DESCRIPTION = JSON.stringify({ family: 'well', uses: [], period: '', character: '', goodFor: '', source: '' });

/** Temperaments of any making, with their description, and a name that is a workshop's only once. */
export async function up(db: QueryInterface): Promise<void> {
	await run(
		db,
		'ALTER TABLE temperaments ADD COLUMN IF NOT EXISTS tuning LONGTEXT NULL, ADD COLUMN IF NOT EXISTS about LONGTEXT NULL'
	);
	if (await hasColumn(db, 'temperaments', 'fifths'))
		await run(db, `UPDATE temperaments SET tuning = CONCAT('{"by":"fifths","fifths":', fifths, '}'), about = :about`, {
			about: NO_DESCRIPTION
		});
	await run(
		db,
		`ALTER TABLE temperaments MODIFY tuning LONGTEXT NOT NULL, MODIFY about LONGTEXT NOT NULL, DROP COLUMN IF EXISTS fifths,
			ADD UNIQUE INDEX IF NOT EXISTS temperaments_workshop_name (workshop_id, name)`
	);
}

export async function down(db: QueryInterface): Promise<void> {
	await run(db, 'ALTER TABLE temperaments ADD COLUMN IF NOT EXISTS fifths LONGTEXT NULL');
	// Tables of cents and ratios have no fifths to go back to: they stay without.
	if (await hasColumn(db, 'temperaments', 'tuning'))
		await run(db, "UPDATE temperaments SET fifths = JSON_EXTRACT(tuning, '$.fifths')");
	await run(
		db,
		`ALTER TABLE temperaments DROP INDEX IF EXISTS temperaments_workshop_name, DROP COLUMN IF EXISTS tuning,
			DROP COLUMN IF EXISTS about`
	);
}
