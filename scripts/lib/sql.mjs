// @ts-check
// Statements to a database, for commands that fill it or look into it.
import { createConnection } from 'mariadb';

/**
 * @template T
 * @param {string} url mariadb://
 * @param {(run: (sql: string) => Promise<any[]>) => Promise<T>} work
 * @returns {Promise<T>}
 */
export async function onDatabase(url, work) {
	const { hostname, port, username, password, pathname } = new URL(url);
	const connection = await createConnection({
		...{ host: hostname, port: Number(port), user: username, password, database: pathname.slice(1) }
	});
	try {
		return await work((sql) => connection.query(sql));
	} finally {
		await connection.end().catch(() => {});
	}
}
