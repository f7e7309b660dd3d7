import { v7 as uuid } from 'uuid';
import { saveEnsemble } from '../db/stores/ensembles';
import { inTransaction } from '../db/transaction';
import { mayJoin } from '../ensembles/mayJoin';
import { TOGETHER } from './scenario';

/** The festival's ensemble: the consort beside the harpsichord, as each was left last. */
export async function loadEnsembles(workshopId: string): Promise<void> {
	const all = await mayJoin(workshopId);
	const members = TOGETHER.members.map((name) => {
		const { id, ...rest } = all.find((each) => each.name === name)!;
		return { ...rest, id: uuid(), instrumentId: id, root: 0 };
	});
	await inTransaction((transaction) =>
		saveEnsemble(workshopId, { id: uuid(), name: TOGETHER.name, members, version: 0 }, transaction)
	);
}
