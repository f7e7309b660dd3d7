import { DEFAULT_TOLERANCE, type StringKind } from '@fendrel/core';
import { BALANCED } from '$lib/tuning/curve';
import { NO_STRETCH, stretchByCurve } from '$lib/tuning/stretch';
import type { SignedIn } from '../auth/session';
import { getInstrument } from '../db/stores/instruments';
import { listTemperaments } from '../db/stores/temperaments';
import { createVisit, visitsOf } from '../db/stores/visits';
import { changeAndRecord } from '../record/serverActs';
import { drawAndKeep } from '../curves';

/** Early keyboards are set by pure octaves from the temperament's table unless their technician wants a curve. */
const CURVED: readonly StringKind[] = ['grand', 'upright'];

/**
 * Starts a visit from what the instrument usually gets, or goes on with the one that is half done.
 * @returns the visit's id; undefined when the workshop has no such instrument
 */
export async function startVisit({ workshopId, userId }: SignedIn, instrumentId: string): Promise<string | undefined> {
	const instrument = await getInstrument(workshopId, instrumentId);
	if (!instrument) return undefined;
	const visits = await visitsOf(workshopId, instrumentId);
	const open = visits.find(({ finishedAt }) => finishedAt === null);
	if (open) return open.id;
	const last = visits[0];
	const equal = (await listTemperaments(workshopId)).find(({ slug }) => slug === 'equal')!;
	const visit = await createVisit(workshopId, {
		instrumentId,
		temperamentId: last?.temperamentId ?? equal.id,
		a4: last?.a4 ?? instrument.usualA4,
		tolerance: last?.tolerance ?? DEFAULT_TOLERANCE,
		stretch: last?.stretch ?? NO_STRETCH,
		startedBy: userId
	});
	const curved = !last && CURVED.includes(instrument.kind);
	const stretch = curved
		? stretchByCurve((await drawAndKeep(workshopId, instrument, visit.id, BALANCED)).id)
		: visit.stretch;
	// The first version of the plan is what the visit starts from.
	await changeAndRecord(workshopId, visit.id, { stretch });
	return visit.id;
}
