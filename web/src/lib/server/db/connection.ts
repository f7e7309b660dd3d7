import { createConnection } from 'mariadb';
import { Sequelize } from 'sequelize';
import type { SequelizeHooks } from 'sequelize/types/hooks';
import { defineModels, type Models } from './models';

export interface Database {
	readonly sequelize: Sequelize;
	readonly models: Models;
}

/** A server of a cluster that does not answer within that is passed over. */
const PASSED_OVER_MS = 1500;

/**
 * Connects (lazily: the first query opens) to the database at a mariadb:// address; to a cluster by the addresses of its servers, parted by
 * commas: each connection goes to the first of them that is ready, the one named first before the others.
 */
export function connect(addresses: string): Database {
	const servers = addresses.split(',').map((each) => each.trim());
	const sequelize = new Sequelize(servers[0], {
		dialect: 'mariadb',
		logging: false,
		timezone: '+00:00',
		dialectOptions: { connectTimeout: 4000 },
		pool: { max: 8, min: 0, acquire: 6000, idle: 30_000 },
		define: { underscored: true, timestamps: false, freezeTableName: true },
		hooks: servers.length > 1 ? amongSeveral(servers) : {}
	});
	return { sequelize, models: defineModels(sequelize) };
}

const amongSeveral = (servers: readonly string[]): Partial<SequelizeHooks> => ({
	beforeConnect: async (config) => void Object.assign(config, await readyServer(servers)),
	// What was written through another server is seen through this one.
	afterConnect: (connection) =>
		(connection as { query(sql: string): Promise<void> }).query('SET SESSION wsrep_sync_wait = 1')
});

/** The first server that takes part in the cluster; the first of all where none does, whose fault then says so. */
async function readyServer(servers: readonly string[]): Promise<{ host: string; port: number }> {
	for (const server of servers) if (await isReady(server)) return placeOf(server);
	return placeOf(servers[0]);
}

function placeOf(server: string) {
	const { hostname: host, port } = new URL(server);
	return { host, port: Number(port || 3306) };
}

async function isReady(server: string): Promise<boolean> {
	const { username: user, password } = new URL(server);
	try {
		const connection = await createConnection({
			...placeOf(server),
			...{ user, password: decodeURIComponent(password), connectTimeout: PASSED_OVER_MS }
		});
		try {
			const rows = await connection.query<{ Value: string }[]>({
				sql: "SHOW GLOBAL STATUS LIKE 'wsrep_ready'",
				timeout: PASSED_OVER_MS
			});
			return rows.length === 0 || rows[0].Value === 'ON';
		} finally {
			connection.destroy();
		}
	} catch {
		return false;
	}
}

let current: Database | undefined;

/** The running server's database, set once at start. */
export function useDatabase(database: Database): void {
	current = database;
}

export function database(): Database {
	if (!current) throw new Error('database: asked for before the server has started');
	return current;
}
