import type { ClimateDay } from '$lib/places/climateCsv';
import type { Who } from '../auth/session';
import { noteChange } from '../db/stores/changes';
import { getPlace } from '../db/stores/locations';
import { forgetClimate, keepClimate } from '../db/stores/placeClimate';
import { inTransaction } from '../db/transaction';
import { orNotFound } from '../find';

/** Keeps what a logger wrote; days that it tells again are written over. */
export function takeClimate(who: Who, id: string, days: readonly ClimateDay[]): Promise<void> {
	return inTransaction(async (transaction) => {
		const { name } = orNotFound(await getPlace(who.workshopId, id, transaction), 'place');
		await keepClimate(who.workshopId, id, days, transaction);
		await noteChange(who, { what: 'climate kept', subjectId: id, name }, transaction);
	});
}

export function dropClimate(who: Who, id: string): Promise<void> {
	return inTransaction(async (transaction) => {
		const { name } = orNotFound(await getPlace(who.workshopId, id, transaction), 'place');
		await forgetClimate(who.workshopId, id, transaction);
		await noteChange(who, { what: 'climate forgotten', subjectId: id, name }, transaction);
	});
}
