import { TooManyWaiting } from '../fairTurns';
import { ConnectionAcquireTimeoutError, ConnectionError, DatabaseError, UniqueConstraintError } from 'sequelize';

/** True when the database did not answer, as against having refused what it was asked. */
export function isDatabaseAway(error: unknown): boolean {
	// Everybody's turn comes: the database answers, only not as fast as it is asked.
	if (isDatabaseBusy(error)) return false;
	if (error instanceof ConnectionError) return true;
	if (!(error instanceof DatabaseError) && !(error instanceof Error)) return false;
	if (OUT_OF_CLUSTER.has((error as { original?: { errno?: number } }).original?.errno ?? 0)) return true;
	const code = (error as { original?: { code?: string } }).original?.code ?? (error as { code?: string }).code ?? '';
	return /ECONNREFUSED|ECONNRESET|EPIPE|SOCKET|CONNECTION|SHUTDOWN|GET_CONNECTION_TIMEOUT|PROTOCOL_CONNECTION_LOST/i.test(
		code
	);
}

/**
 * A server of a cluster that takes no part in it just now (1047), or lost the others in mid-commit (1180): what was asked may have been done,
 * and is to be asked again.
 */
const OUT_OF_CLUSTER = new Set([1047, 1180]);

/** True when every way to the database was taken for as long as anybody waits, too many wait for one, or others stood in the way again and again. */
export function isDatabaseBusy(error: unknown): boolean {
	return error instanceof ConnectionAcquireTimeoutError || error instanceof TooManyWaiting || isConflict(error);
}

/** Deadlock found, lock wait timeout, and a row that another transaction has changed: MariaDB's own numbers. */
const CONFLICTS = new Set([1213, 1205, 1020]);

/** True when two transactions stood in each other's way: the whole of it is to be done once more. */
export function isConflict(error: unknown): boolean {
	return CONFLICTS.has((error as { original?: { errno?: number } } | null)?.original?.errno ?? 0);
}

export function isDuplicate(error: unknown): boolean {
	return error instanceof UniqueConstraintError;
}

export const DATABASE_BUSY = {
	message: 'The server has more to do than it can at once.',
	advice: 'Try once more in a few seconds. Readings stay on this device until then.'
};

export const DATABASE_AWAY = {
	message: 'The database does not answer.',
	advice:
		'It is started again by itself; try once more in a few seconds. Readings stay on this device until it is back.'
};
