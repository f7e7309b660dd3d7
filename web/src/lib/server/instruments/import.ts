import { error } from '@sveltejs/kit';
import { ANOTHER_PLACE } from '$lib/instruments/placeChoice';
import type { InstrumentForm } from '$lib/instruments/instrumentForm';
import type { Who } from '../auth/session';
import { database } from '../db/connection';
import { isDuplicate } from '../db/faults';
import { noteChange } from '../db/stores/changes';
import { createInstrument } from '../db/stores/instruments';
import { inTransaction } from '../db/transaction';
import { detailsFromForm } from './form';

/** Adds instruments from a list: all of them or none. @returns their ids @throws 409 where one of their names is there already */
export async function addInstruments(who: Who, forms: readonly InstrumentForm[]): Promise<string[]> {
	try {
		return await inTransaction(async (transaction) => {
			const ids: string[] = [];
			for (const form of forms) {
				// A place that is written like another one is another one here; both can be merged.
				const details = { ...detailsFromForm(form), place: form.location ? ANOTHER_PLACE : '' };
				const id = await createInstrument(who.workshopId, details, transaction);
				await noteChange(who, { what: 'instrument added', subjectId: id, name: form.name }, transaction);
				ids.push(id);
			}
			return ids;
		});
	} catch (fault) {
		if (isDuplicate(fault)) error(409, { message: 'Two instruments would have one name. Nothing was added.' });
		throw fault;
	}
}

/** @throws 409 where one of them has been visited meanwhile */
export function takeBackInstruments(who: Who, ids: readonly string[]): Promise<void> {
	return inTransaction(async (transaction) => {
		const { instruments, visits } = database().models;
		const where = { workshopId: who.workshopId, instrumentId: [...ids] };
		if (await visits.count({ where, paranoid: false, transaction }))
			error(409, { message: 'Some of them have been visited meanwhile. Delete the others one by one.' });
		const rows = await instruments.findAll({ where: { workshopId: who.workshopId, id: [...ids] }, transaction });
		for (const row of rows)
			await noteChange(who, { what: 'instrument erased', subjectId: row.get().id, name: row.get().name }, transaction);
		await instruments.destroy({ where: { workshopId: who.workshopId, id: [...ids] }, force: true, transaction });
	});
}
