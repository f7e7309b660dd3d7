import { error } from '@sveltejs/kit';
import { validate as isUuid } from 'uuid';
import type { StoredTemperament } from '$lib/tuning/storedTemperament';
import { getInstrument, isStrung, type Instrument, type StrungInstrument } from './db/stores/instruments';
import { temperamentBySlug } from './db/stores/temperaments';
import { getVisit, type Visit } from './db/stores/visits';

/** What was found, or "not found": also when it belongs to another workshop. */
export function orNotFound<T>(found: T | undefined, what: string): T {
	return found ?? error(404, { message: `There is no such ${what} in your workshop.` });
}

/** An address may say anything; only a number of something stored is looked for. */
const byId = async <T>(id: string, get: () => Promise<T | undefined>) => (isUuid(id) ? get() : undefined);

export async function instrumentOr404(workshopId: string, id: string): Promise<Instrument> {
	return orNotFound(await byId(id, () => getInstrument(workshopId, id)), 'instrument');
}

/** A keyboard: what is asked of it has no meaning for other families. */
export async function strungOr404(workshopId: string, id: string): Promise<StrungInstrument> {
	const instrument = await instrumentOr404(workshopId, id);
	return isStrung(instrument) ? instrument : error(404, { message: `${instrument.name} has no keyboard.` });
}

export async function temperamentOr404(workshopId: string, slug: string): Promise<StoredTemperament> {
	return orNotFound(await temperamentBySlug(workshopId, slug), 'temperament');
}

/** The visit, by its number or one that leads to it. */
export async function visitOr404(workshopId: string, id: string): Promise<Visit> {
	return orNotFound(await byId(id, () => getVisit(workshopId, id)), 'visit');
}
