import { QueryTypes, type Transaction } from 'sequelize';
import { database } from '../connection';

/** A device on which nobody has signed in for so long is a stranger again. */
const FORGOTTEN_DAYS = 180;

/** Somebody has signed in there with the right password. */
export async function rememberDevice(tokenHash: string, userId: string): Promise<void> {
	const { sequelize } = database();
	await sequelize.query(
		`INSERT INTO known_devices (token_hash, user_id, last_at) VALUES (:tokenHash, :userId, NOW(3))
		ON DUPLICATE KEY UPDATE last_at = NOW(3)`,
		{ type: QueryTypes.INSERT, replacements: { tokenHash, userId } }
	);
	await sequelize.query('DELETE FROM known_devices WHERE user_id = :userId AND last_at < NOW(3) - INTERVAL :days DAY', {
		type: QueryTypes.DELETE,
		replacements: { userId, days: FORGOTTEN_DAYS }
	});
}

export async function isKnownDevice(tokenHash: string, userId: string): Promise<boolean> {
	const found = await database().sequelize.query(
		'SELECT 1 FROM known_devices WHERE token_hash = :tokenHash AND user_id = :userId',
		{ type: QueryTypes.SELECT, replacements: { tokenHash, userId } }
	);
	return found.length > 0;
}

/** All devices of somebody but one are strangers again. */
export async function forgetDevices(userId: string, but: string | undefined, transaction?: Transaction): Promise<void> {
	await database().sequelize.query('DELETE FROM known_devices WHERE user_id = :userId AND token_hash <> :but', {
		type: QueryTypes.DELETE,
		replacements: { userId, but: but ?? '' },
		transaction
	});
}
