import { closingOf, isClosingAct, paceOf, type Pace, type Tariff } from '@fendrel/core';
import { actsOfVisits } from '../db/stores/record';
import { pastVisits } from '../db/stores/visits';
import { standingActs } from './standingActs';

/** How long work takes in a workshop, by its own visits but for those that somebody has left out. */
export async function workshopPace(workshopId: string, set: Tariff): Promise<Pace> {
	const past = await pastVisits(workshopId);
	const acts = await actsOfVisits(
		workshopId,
		past.map(({ id }) => id),
		['forget', 'takeBack']
	);
	const isForgotten = (id: string) =>
		closingOf(standingActs(acts.get(id) ?? []).filter(isClosingAct)).forgotten.has('pace');
	return paceOf(
		past.filter(({ id }) => !isForgotten(id)),
		set
	);
}
