import type { Transaction } from 'sequelize';
import { stretchColumns, NO_STRETCH } from '$lib/tuning/stretch';
import type { Begun } from '$lib/record/record';
import { lockInstrument } from '../db/stores/instruments';
import { lockVisit, type LockedVisit } from '../db/stores/record';
import { createVisit, goOnIn, updateVisit, visitAround } from '../db/stores/visits';
import type { Who } from '../auth/session';
import { noteChange } from '../db/stores/changes';
import { planProblem } from './plans';

const NO_INSTRUMENT = 'There is no such instrument in this workshop. It may have been deleted.';

/**
 * Begins a visit under the number that a device gave it. Where the instrument has one that is open, or was then, it goes on
 * in that one: whatever is said of the new number belongs to the other visit.
 * @param startedAt by the server's time
 */
export async function beginVisit(
	who: Who,
	id: string,
	{ instrumentId, plan, curve }: Begun,
	startedAt: Date,
	transaction: Transaction
): Promise<LockedVisit | { readonly why: string }> {
	const { workshopId, userId } = who;
	const instrument = await lockInstrument(workshopId, instrumentId, transaction);
	if (!instrument) return { why: NO_INSTRUMENT };
	const around = await visitAround(workshopId, instrumentId, startedAt, transaction);
	if (around) {
		await goOnIn(id, around.id, transaction);
		if (startedAt < around.startedAt) await updateVisit(around.id, { startedAt }, transaction);
		return (await lockVisit(workshopId, around.id, transaction))!;
	}
	const why = await planProblem(workshopId, instrumentId, { plan, curve }, transaction);
	if (why) return { why };
	const { a4, temperamentId, tolerance } = plan;
	await createVisit(
		{
			...{ id, workshopId, instrumentId, a4, temperamentId, tolerance, startedAt, startedBy: userId },
			// Its curve comes with the act that takes it.
			...stretchColumns(NO_STRETCH),
			...{ stage: 'arrive', seq: 0, note: '', finishedAt: null, deletedAt: null, deletedBy: null }
		},
		transaction
	);
	await noteChange(who, { what: 'visit begun', subjectId: id, name: instrument.name }, transaction);
	return { id, instrumentId, seq: 0, startedAt, finishedAt: null };
}
