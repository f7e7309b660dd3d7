import { MAX, v7 as uuid } from 'uuid';
import { stretchColumns } from '$lib/tuning/stretch';
import { database } from '../db/connection';
import { addActs, keepPlanVersion, lockVisit, raiseSeq } from '../db/stores/record';
import { getVisit, updateVisit, type Visit, type VisitChanges } from '../db/stores/visits';
import { keepSummaries } from './keep';

/** The server is a device too: what is planned, noted and finished is done by it when it is asked to. */
const SERVER = MAX;

type Planned = Pick<Visit, 'a4' | 'temperamentId' | 'tolerance' | 'stretch'>;

/**
 * Changes a visit and records what that was: a version of the plan, a note, its end. All of it or nothing.
 * @returns false when it was to end and has ended already
 */
export async function changeAndRecord(workshopId: string, id: string, changes: VisitChanges): Promise<boolean> {
	return database().sequelize.transaction(async (transaction) => {
		const locked = await lockVisit(workshopId, id, transaction);
		const before = await getVisit(workshopId, id, transaction);
		if (!locked || !before) throw new Error(`changeAndRecord: there is no visit ${id}`);
		if (changes.finishedAt && before.finishedAt) return false;
		const seq = locked.seq + 1;
		const at = new Date();
		const done = actsOf(before, changes);
		await updateVisit(workshopId, id, changes, transaction);
		await addActs(
			done.map(({ kind, act }) => ({
				id: act.plan?.id ?? uuid(),
				visitId: id,
				workshopId,
				kind,
				device: SERVER,
				counter: seq,
				seq,
				doneAt: at,
				placedAt: at,
				sounders: null,
				readingId: null,
				act: { ...act },
				hash: null
			})),
			transaction
		);
		for (const { act } of done)
			if (act.plan) await keepPlanVersion({ ...act.plan, workshopId, visitId: id, madeAt: at }, transaction);
		await raiseSeq(id, seq, transaction);
		if (changes.finishedAt)
			await keepSummaries(workshopId, { ...locked, finishedAt: changes.finishedAt }, [], transaction);
		return true;
	});
}

interface Done {
	readonly kind: 'plan' | 'note' | 'finish';
	readonly act: { readonly plan?: ReturnType<typeof planVersion>; readonly text?: string };
}

function actsOf(before: Visit, changes: VisitChanges): Done[] {
	const { a4, temperamentId, tolerance, stretch } = { ...before, ...changes };
	const planned = ['a4', 'temperamentId', 'tolerance', 'stretch'].some((key) => key in changes);
	return [
		...(planned
			? [{ kind: 'plan', act: { plan: planVersion({ a4, temperamentId, tolerance, stretch }) } } as const]
			: []),
		...(changes.note !== undefined && changes.note !== before.note
			? [{ kind: 'note', act: { text: changes.note } } as const]
			: []),
		...(changes.finishedAt ? [{ kind: 'finish', act: {} } as const] : [])
	];
}

function planVersion({ stretch, ...plan }: Planned) {
	const { curveId, curveLead: lead } = stretchColumns(stretch);
	return { id: uuid(), ...plan, curveId, lead };
}
