import { QueryTypes, type QueryInterface } from 'sequelize';

/** The library's descriptions follow when the table is brought in line with it. */
const NO_DESCRIPTION = JSON.stringify({ family: 'well', uses: [], period: '', character: '', goodFor: '', source: '' });

/**
 * Temperaments of any making, with their description, and a name that is a workshop's only once.
 * Each statement is whole in itself and can be run again: a server killed in between does no harm.
 */
export async function up(db: QueryInterface): Promise<void> {
	await run(
		db,
		'ALTER TABLE temperaments ADD COLUMN IF NOT EXISTS tuning LONGTEXT NULL, ADD COLUMN IF NOT EXISTS about LONGTEXT NULL'
	);
	await run(db, `UPDATE temperaments SET tuning = CONCAT('{"by":"fifths","fifths":', fifths, '}'), about = :about`, {
		about: NO_DESCRIPTION
	});
	await run(
		db,
		`ALTER TABLE temperaments MODIFY tuning LONGTEXT NOT NULL, MODIFY about LONGTEXT NOT NULL, DROP COLUMN fifths,
			ADD UNIQUE INDEX temperaments_workshop_name (workshop_id, name)`
	);
}

export async function down(db: QueryInterface): Promise<void> {
	await run(db, 'ALTER TABLE temperaments ADD COLUMN IF NOT EXISTS fifths LONGTEXT NULL');
	// Tables of cents and ratios have no fifths to go back to: they stay without.
	await run(db, "UPDATE temperaments SET fifths = JSON_EXTRACT(tuning, '$.fifths')");
	await run(
		db,
		`ALTER TABLE temperaments DROP INDEX temperaments_workshop_name, DROP COLUMN tuning, DROP COLUMN about`
	);
}

/** The type keeps the driver's answer from being taken for rows. */
async function run(db: QueryInterface, sql: string, replacements: Record<string, string> = {}): Promise<void> {
	await db.sequelize.query(sql, { type: QueryTypes.UPDATE, replacements });
}
