import { Sequelize } from 'sequelize';
import { defineModels, type Models } from './models';

export interface Database {
	readonly sequelize: Sequelize;
	readonly models: Models;
}

/** Connects (lazily: the first query opens) to the database at a mariadb:// address. */
export function connect(url: string): Database {
	const sequelize = new Sequelize(url, {
		dialect: 'mariadb',
		logging: false,
		timezone: '+00:00',
		dialectOptions: { connectTimeout: 4000 },
		pool: { max: 8, min: 0, acquire: 6000, idle: 30_000 },
		define: { underscored: true, timestamps: false, freezeTableName: true }
	});
	return { sequelize, models: defineModels(sequelize) };
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
