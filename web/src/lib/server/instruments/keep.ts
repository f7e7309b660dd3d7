import { neckFieldsOf } from '$lib/instruments/neckForm';
import { reedFieldsOf } from '$lib/instruments/reedForm';
import type { Who } from '../auth/session';
import { difference, noteChange } from '../db/stores/changes';
import type { Whereabouts } from '$lib/instruments/whereabouts';
import { getContact } from '../db/stores/contacts';
import { getPlace } from '../db/stores/locations';
import { instrumentOr404, orNotFound } from '../find';
import {
	createInstrument,
	saveWhereabouts,
	updateInstrument,
	type Instrument,
	type InstrumentDetails
} from '../db/stores/instruments';
import { inTransaction } from '../db/transaction';

/** Adds an instrument, and says so in the trail. @throws UniqueConstraintError when there is one of that name */
export function addInstrument(who: Who, details: InstrumentDetails): Promise<string> {
	return inTransaction(async (transaction) => {
		const id = await createInstrument(who.workshopId, details, transaction);
		await noteChange(who, { what: 'instrument added', subjectId: id, name: details.name }, transaction);
		return id;
	});
}

/** What people write of an instrument, as the trail compares it. */
function written(instrument: InstrumentDetails | Instrument) {
	const { name, kind, maker, madeIn, lowest, highest, usualA4, notes, reeds, neck } = instrument;
	const about = { name, kind, maker, madeIn, usualA4, notes };
	if (neck) return { ...about, ...neckFieldsOf(neck) };
	return reeds ? { ...about, ...reedFieldsOf(reeds) } : { ...about, lowest, highest };
}

/**
 * Writes over a version of an instrument, and says in the trail what changed.
 * @returns false when somebody else has written over that version meanwhile
 * @throws UniqueConstraintError when there is another one of that name
 */
export function changeInstrument(
	who: Who,
	before: Instrument,
	version: number,
	details: InstrumentDetails
): Promise<boolean> {
	return inTransaction(async (transaction) => {
		if (!(await updateInstrument(who.workshopId, before.id, version, details, transaction))) return false;
		const said = difference(
			{ ...written(before), place: before.location?.name ?? '', town: before.location?.town ?? '' },
			{ ...written(details), place: details.location, town: details.town }
		);
		if (said)
			await noteChange(who, { what: 'instrument changed', subjectId: before.id, name: before.name, said }, transaction);
		return true;
	});
}

/** Moves an instrument to another place or owner, with its history, or lays it aside; the trail says from where. */
export async function moveInstrument(who: Who, id: string, to: Whereabouts): Promise<void> {
	const before = await instrumentOr404(who.workshopId, id);
	await inTransaction(async (transaction) => {
		const place = to.locationId && orNotFound(await getPlace(who.workshopId, to.locationId, transaction), 'place');
		const owner = to.ownerId && orNotFound(await getContact(who.workshopId, to.ownerId, transaction), 'contact');
		const was = before.ownerId ? await getContact(who.workshopId, before.ownerId, transaction) : undefined;
		await saveWhereabouts(who.workshopId, before, to, place || undefined, transaction);
		const said = difference(
			{ place: before.location?.name ?? '', owner: was?.name ?? '', archived: before.archivedAt !== null },
			{ place: place ? place.name : '', owner: owner ? owner.name : '', archived: to.isArchived }
		);
		if (said) await noteChange(who, { what: 'instrument moved', subjectId: id, name: before.name, said }, transaction);
	});
}
