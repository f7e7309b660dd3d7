import { reportOf, type PriorityId } from '@fendrel/core';
import type { Transaction } from 'sequelize';
import { actsOfVisit, type LockedVisit } from '../db/stores/record';
import { updateVisit } from '../db/stores/visits';

/** Brings a visit's own row in line with what its acts say: how it is planned, where it stands, whether it is finished. */
export async function projectVisit(visit: LockedVisit, transaction: Transaction): Promise<LockedVisit> {
	const { plan, note, stage, finishedAt } = reportOf(await actsOfVisit(visit.id, transaction));
	const end = finishedAt === undefined ? null : new Date(finishedAt);
	const { a4, temperamentId, tolerance, curveId, lead } = plan ?? {};
	await updateVisit(
		visit.id,
		{
			...(plan && { a4, temperamentId, tolerance, curveId, curveLead: lead as PriorityId | null }),
			...(stage && { stage }),
			...(end && { stage: 'close' }),
			note,
			finishedAt: end
		},
		transaction
	);
	return { ...visit, finishedAt: end };
}
