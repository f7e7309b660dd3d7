import { isHttpError } from '@sveltejs/kit';
import type { Who } from '../auth/session';
import { log } from '../log';
import { forgetParts, keepState, linesIn, stateOf } from './parts';
import { takeInWorkshop } from './takeIn';

const FAILED = 'The server could not take it in. Nothing of it is here; try again.';

/** Begins to take in a file whose parts are there; asked twice it is done once. How it goes is told by `stateOf`. */
export async function beginTakingIn(who: Who, importId: string, parts: number): Promise<void> {
	if ((await stateOf(who.userId, importId))?.state === 'working') return;
	await keepState(who.userId, importId, { state: 'working' });
	void takeIn(who, importId, parts);
}

async function takeIn(who: Who, importId: string, parts: number): Promise<void> {
	const { userId } = who;
	try {
		await takeInWorkshop(who, () => linesIn(userId, importId, parts));
		await keepState(userId, importId, { state: 'done' });
	} catch (fault) {
		if (!isHttpError(fault)) log.error({ err: fault }, 'a workshop could not be taken in');
		const problem = isHttpError(fault) ? fault.body.message : FAILED;
		await keepState(userId, importId, { state: 'refused', problem }).catch((err: unknown) =>
			log.warn({ err }, 'how a workshop was taken in could not be kept')
		);
	} finally {
		await forgetParts(userId, importId).catch((err: unknown) => log.warn({ err }, 'parts of a file stay for a day'));
	}
}
