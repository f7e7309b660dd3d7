import { QueryTypes, type Sequelize } from 'sequelize';
import { v7 as uuid } from 'uuid';

/*
 * Who may migrate. A row, not a lock of the database server: a lock belongs to one server and is unknown to the others of
 * a cluster, and a row outlives a lost connection for as long as it says.
 */
const TABLE = 'migration_lease';
const SECONDS = 30;
const RENEW_MS = 10_000;
const ASK_MS = 500;

/** What is done under the lease calls `hold` before each step: it throws when the lease has been lost meanwhile. */
export type Hold = () => Promise<void>;

/**
 * Does some work alone among all servers of a database; others wait for their turn. A holder that died is followed after
 * half a minute.
 */
export async function underLease<T>(sequelize: Sequelize, work: (hold: Hold) => Promise<T>): Promise<T> {
	const me = uuid();
	const run = (sql: string) => sequelize.query(sql, { type: QueryTypes.UPDATE, replacements: { me } });
	await run(
		`CREATE TABLE IF NOT EXISTS ${TABLE} (one TINYINT PRIMARY KEY, holder CHAR(36) NOT NULL, until DATETIME(3) NOT NULL)`
	);
	/** Takes the lease when nobody has it, or renews it. */
	const take = async (): Promise<boolean> => {
		await run(
			`INSERT INTO ${TABLE} VALUES (1, :me, NOW(3) + INTERVAL ${SECONDS} SECOND) ON DUPLICATE KEY UPDATE
				holder = IF(until < NOW(3), VALUES(holder), holder),
				until = IF(holder = VALUES(holder), VALUES(until), until)`
		);
		const [row] = await sequelize.query<{ holder: string }>(`SELECT holder FROM ${TABLE} WHERE one = 1`, {
			type: QueryTypes.SELECT
		});
		return row?.holder === me;
	};
	while (!(await take())) await new Promise((resolve) => setTimeout(resolve, ASK_MS));
	const hold = async () => {
		if (!(await take())) throw new Error('migration: another server has taken over; this one stops');
	};
	const renew = setInterval(() => void take().catch(() => {}), RENEW_MS);
	try {
		return await work(hold);
	} finally {
		clearInterval(renew);
		await run(`DELETE FROM ${TABLE} WHERE holder = :me`).catch(() => {});
	}
}
