import { error } from '@sveltejs/kit';
import type { VisitChangesForm } from '$lib/visit/schema';
import type { VisitRow } from '../db/models';
import { getInstrument, measuredInharmonicity } from '../db/stores/instruments';
import { figuresOf } from '../db/stores/readings';
import { getTemperament, listTemperaments } from '../db/stores/temperaments';
import { getVisit, updateVisit } from '../db/stores/visits';

/** The visit, or "not found": also when it belongs to another workshop. */
export async function visitOr404(workshopId: string, id: string): Promise<VisitRow> {
	const isId = /^[0-9a-f-]{36}$/i.test(id);
	return (
		(isId ? await getVisit(workshopId, id) : undefined) ??
		error(404, { message: 'There is no such visit in your workshop.' })
	);
}

/** Everything the visit's stages work with. */
export async function loadVisit(workshopId: string, id: string) {
	const visit = await visitOr404(workshopId, id);
	const instrument = (await getInstrument(workshopId, visit.instrumentId))!;
	const [temperaments, readings, measured] = await Promise.all([
		listTemperaments(workshopId),
		figuresOf(workshopId, [id]),
		measuredInharmonicity(workshopId, instrument.id)
	]);
	const { name, kind, lowest, highest, twin, place } = instrument;
	const { a4, tolerance, stretch, temperamentId, stage, currentNote, moved, note, startedAt, finishedAt } = visit;
	return {
		visit: { id, a4, tolerance, stretch, temperamentId, stage, currentNote, moved, note, startedAt, finishedAt },
		instrument: { id: instrument.id, name, kind, lowest, highest, twin, place },
		temperaments,
		measured: [...measured],
		readings: readings.map(({ workshopId: _, visitId: __, ...reading }) => reading)
	};
}

export type ChangeResult = { readonly kind: 'saved' } | { readonly kind: 'refused'; readonly why: string };

/** Changes an open visit; a finished one stays as it was recorded. */
export async function changeVisit(workshopId: string, id: string, changes: VisitChangesForm): Promise<ChangeResult> {
	const visit = await visitOr404(workshopId, id);
	if (visit.finishedAt)
		return { kind: 'refused', why: 'This visit is finished; its record no longer changes. Start a new visit.' };
	if (changes.temperamentId && !(await getTemperament(workshopId, changes.temperamentId)))
		return { kind: 'refused', why: 'That temperament is no longer in the library. Choose another.' };
	await updateVisit(workshopId, id, changes);
	return { kind: 'saved' };
}
