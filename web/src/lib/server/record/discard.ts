import { v7 as uuid } from 'uuid';
import { FORMAT } from '$lib/record/format';
import type { Who } from '../auth/session';
import { noteChange } from '../db/stores/changes';
import { isReading } from '../db/stores/readings';
import { takeIn } from './takeIn';

/*
 * A reading that should not count is discarded, and brought back, by acts of the visit like any other: every device sees it, and
 * nothing is lost.
 */

interface Of {
	readonly visit: string;
	/** The instrument's, for the trail. */
	readonly name: string;
}

/** @returns why not; undefined when it is discarded */
export async function discardReading(who: Who, { visit, name }: Of, reading: string): Promise<string | undefined> {
	if (!(await isReading(who.workshopId, visit, reading))) return 'That reading is not there.';
	const why = await act(who, visit, { do: 'discard', reading });
	if (!why) await noteChange(who, { what: 'reading discarded', subjectId: visit, name });
	return why;
}

/** @param discard the act that discarded it */
export async function countAgain(who: Who, { visit, name }: Of, discard: string): Promise<string | undefined> {
	const why = await act(who, visit, { do: 'takeBack', act: discard });
	if (!why) await noteChange(who, { what: 'reading brought back', subjectId: visit, name });
	return why;
}

async function act(who: Who, visitId: string, doing: object): Promise<string | undefined> {
	const now = new Date();
	const made = { id: uuid(), counter: 1, doneAt: now, ...doing };
	const [answer] = await takeIn(who, {
		now,
		// The server is a device of its own, for this act.
		items: [{ format: FORMAT, visitId, device: uuid(), kind: 'act', act: made }]
	});
	return answer.answer === 'refused' ? answer.why : undefined;
}
