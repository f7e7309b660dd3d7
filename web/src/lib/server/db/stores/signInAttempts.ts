import { createHash } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import { database } from '../connection';

/** Only a digest is stored: the table does not tell who tried to sign in. */
const doorOf = (of: string) => createHash('sha256').update(of).digest('hex');

export interface Attempts {
	readonly tries: number;
	/** Milliseconds until they are forgotten. */
	readonly left: number;
}

/** Counts one more try at a door, in one statement: a hundred at once are a hundred. */
export async function countAttempt(of: string, seconds: number): Promise<Attempts> {
	const [row] = await database().sequelize.query<{ tries: number; left: string }>(
		`INSERT INTO sign_in_attempts (door, tries, until) VALUES (:door, 1, NOW(3) + INTERVAL :seconds SECOND)
		ON DUPLICATE KEY UPDATE tries = IF(until < NOW(3), 1, tries + 1), until = IF(tries = 1, VALUES(until), until)
		RETURNING tries, TIMESTAMPDIFF(MICROSECOND, NOW(3), until) / 1000 AS \`left\``,
		{ type: QueryTypes.SELECT, replacements: { door: doorOf(of), seconds } }
	);
	return { tries: row.tries, left: Number(row.left) };
}

/**
 * The next free moment at a door that opens once every so many milliseconds: each who asks has one of their own.
 * @returns milliseconds to wait for it; undefined when that is further off than `most`: nothing is taken then
 */
export async function takeTurn(of: string, every: number, most: number): Promise<number | undefined> {
	const [row] = await database().sequelize.query<{ wait: string; tries: number }>(
		`INSERT INTO sign_in_attempts (door, tries, until) VALUES (:door, 1, NOW(3) + INTERVAL :every MICROSECOND)
		ON DUPLICATE KEY UPDATE
			tries = IF(until > NOW(3) + INTERVAL :most MICROSECOND, 0, 1),
			until = IF(tries = 0, until, GREATEST(until, NOW(3)) + INTERVAL :every MICROSECOND)
		RETURNING tries, TIMESTAMPDIFF(MICROSECOND, NOW(3), until) / 1000 AS wait`,
		{ type: QueryTypes.SELECT, replacements: { door: doorOf(of), every: 1000 * every, most: 1000 * most } }
	);
	return row.tries === 0 ? undefined : Math.max(0, Number(row.wait) - every);
}

/** The right password after all: that try counts no more, or none of them. */
export async function forgiveAttempt(of: string, all: boolean): Promise<void> {
	await database().sequelize.query(
		all
			? 'DELETE FROM sign_in_attempts WHERE door = :door OR until < NOW(3)'
			: 'UPDATE sign_in_attempts SET tries = GREATEST(tries - 1, 0) WHERE door = :door',
		{ type: QueryTypes.UPDATE, replacements: { door: doorOf(of) } }
	);
}
