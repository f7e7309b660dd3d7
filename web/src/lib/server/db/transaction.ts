import { Transaction } from 'sequelize';
import { database } from './connection';
import { isConflict } from './faults';

const MOST_TRIES = 8;
const PAUSE_MS = 15;
const isolationLevel = Transaction.ISOLATION_LEVELS.READ_COMMITTED;

/**
 * All of some work or nothing; when another transaction stood in its way, all of it once more. What is looked for and not found locks nothing:
 * else any two who begin something would stand in each other's way.
 */
export async function inTransaction<T>(work: (transaction: Transaction) => Promise<T>): Promise<T> {
	for (let tries = 1; ; tries++) {
		try {
			return await database().sequelize.transaction({ isolationLevel }, work);
		} catch (error) {
			if (!isConflict(error) || tries === MOST_TRIES) throw error;
			await new Promise((resolve) => setTimeout(resolve, PAUSE_MS * tries * Math.random()));
		}
	}
}
