import type { QueryInterface } from 'sequelize';
import { run } from './statements';

/**
 * What the strike before told of each string: a B out of line is believed once two strikes agree. What was read earlier
 * gets it with its next strike, or by `npm run summaries`.
 */
export async function up(db: QueryInterface): Promise<void> {
	await run(
		db,
		`ALTER TABLE instrument_sounders ADD COLUMN IF NOT EXISTS before_inharmonicity DOUBLE NULL,
			ADD COLUMN IF NOT EXISTS before_inharmonicity_error DOUBLE NULL`
	);
}

export async function down(db: QueryInterface): Promise<void> {
	await run(
		db,
		`ALTER TABLE instrument_sounders DROP COLUMN IF EXISTS before_inharmonicity,
			DROP COLUMN IF EXISTS before_inharmonicity_error`
	);
}
