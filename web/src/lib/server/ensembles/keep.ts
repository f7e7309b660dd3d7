import { error } from '@sveltejs/kit';
import type { EnsembleDraft } from '$lib/ensembles/ensemble';
import type { Who } from '../auth/session';
import { noteChange } from '../db/stores/changes';
import { deleteEnsemble, getEnsemble, saveEnsemble } from '../db/stores/ensembles';
import { getInstrument } from '../db/stores/instruments';
import { getTemperament } from '../db/stores/temperaments';
import { inTransaction } from '../db/transaction';
import { orNotFound } from '../find';

/** Keeps an ensemble, and says so in the trail. @throws 400, 409 where somebody else has written over it */
export async function keepEnsemble(who: Who, id: string, draft: EnsembleDraft): Promise<{ version: number }> {
	const { workshopId } = who;
	for (const { instrumentId, temperamentId, name } of draft.members) {
		if (instrumentId && !(await getInstrument(workshopId, instrumentId)))
			error(400, { message: `${name} is no longer in the register. Leave it out, and add it again.` });
		if (!(await getTemperament(workshopId, temperamentId)))
			error(400, { message: `The temperament of ${name} is no longer there. Choose another.` });
	}
	return inTransaction(async (transaction) => {
		const version = await saveEnsemble(workshopId, { ...draft, id }, transaction);
		if (version === undefined)
			error(409, { message: 'Somebody else has changed it meanwhile. Reload the page; note first what you chose.' });
		await noteChange(who, { what: 'ensemble kept', subjectId: id, name: draft.name }, transaction);
		return { version };
	});
}

export async function removeEnsemble(who: Who, id: string): Promise<void> {
	const { name } = orNotFound(await getEnsemble(who.workshopId, id), 'ensemble');
	await inTransaction(async (transaction) => {
		await deleteEnsemble(who.workshopId, id, transaction);
		await noteChange(who, { what: 'ensemble deleted', subjectId: id, name }, transaction);
	});
}
