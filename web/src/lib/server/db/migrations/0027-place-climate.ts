import type { QueryInterface } from 'sequelize';
import { run } from './statements';

const ID = 'CHAR(36) BINARY';

/** What a logger wrote of the air at a place, a day to a row. */
export async function up(db: QueryInterface): Promise<void> {
	await run(
		db,
		`CREATE TABLE IF NOT EXISTS place_climate (
			workshop_id ${ID} NOT NULL, place_id ${ID} NOT NULL, day DATE NOT NULL, temperature DOUBLE NULL, humidity DOUBLE NULL,
			PRIMARY KEY (place_id, day), INDEX place_climate_workshop (workshop_id),
			CONSTRAINT place_climate_of FOREIGN KEY (workshop_id) REFERENCES workshops (id) ON DELETE CASCADE,
			CONSTRAINT place_climate_at FOREIGN KEY (place_id) REFERENCES places (id) ON DELETE CASCADE)`
	);
}

export async function down(db: QueryInterface): Promise<void> {
	await run(db, 'DROP TABLE IF EXISTS place_climate');
}
