import type { StringKind } from '@fendrel/core';
import type { QueryInterface } from 'sequelize';
import { shelvedAs } from '../shelf';
import { addIndex, inBatches, run } from './statements';

/** A page of the register and a visit's summary are read, not reckoned. */
export async function up(db: QueryInterface): Promise<void> {
	const text = 'CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL';
	await run(
		db,
		`ALTER TABLE instruments ADD COLUMN IF NOT EXISTS shelf VARCHAR(300) ${text} DEFAULT '',
			ADD COLUMN IF NOT EXISTS sought VARCHAR(380) ${text} DEFAULT ''`
	);
	await inBatches<{
		id: string;
		name: string;
		kind: StringKind;
		maker: string;
		place: string | null;
		town: string | null;
	}>(
		db,
		`SELECT i.id, i.name, i.kind, i.maker, p.name AS place, p.town FROM instruments i LEFT JOIN places p ON p.id = i.place_id
		WHERE i.id > :after ORDER BY i.id LIMIT :most`,
		async (batch) => {
			for (const { place, town, ...instrument } of batch) {
				const at = place === null ? undefined : { name: place, town: town ?? '' };
				await run(db, 'UPDATE instruments SET shelf = :shelf, sought = :sought WHERE id = :id', {
					...shelvedAs(instrument, at),
					id: instrument.id
				});
			}
		}
	);
	await run(
		db,
		`ALTER TABLE instruments ADD INDEX IF NOT EXISTS instruments_shelf (workshop_id, is_kept, shelf, sought)`
	);
	// The newest finished visits, as the list of visits and the pace of work ask for them.
	await addIndex(db, 'visits', ['workshop_id', 'deleted_at', 'finished_at', 'id']);
	await run(
		db,
		`CREATE TABLE IF NOT EXISTS visit_summaries (
			visit_id CHAR(36) BINARY NOT NULL PRIMARY KEY, instrument_id CHAR(36) BINARY NOT NULL, seq INT NOT NULL, basis CHAR(64) NOT NULL,
			summary LONGTEXT NOT NULL, INDEX visit_summaries_instrument (instrument_id),
			CONSTRAINT visit_summaries_of FOREIGN KEY (visit_id) REFERENCES visits (id) ON DELETE CASCADE)`
	);
}

export async function down(db: QueryInterface): Promise<void> {
	await run(db, 'DROP TABLE IF EXISTS visit_summaries');
	await run(db, 'ALTER TABLE visits DROP INDEX IF EXISTS visits_workshop_id_deleted_at_finished_at_id');
	await run(db, 'ALTER TABLE instruments DROP INDEX IF EXISTS instruments_shelf');
	await run(db, 'ALTER TABLE instruments DROP COLUMN IF EXISTS shelf, DROP COLUMN IF EXISTS sought');
}
