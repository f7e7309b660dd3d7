import { noteName, USUAL_HABITS } from '@fendrel/core';
import { error } from '@sveltejs/kit';
import type { CurveChoice, KeptCurve } from '$lib/tuning/curve';
import { NO_STRETCH } from '$lib/tuning/plan';
import type { VisitChangesForm } from '$lib/visit/schema';
import type { VisitRow } from '../db/models';
import { curveMeant, drawAndKeep } from '../curves';
import { habitsOf } from '../db/stores/accounts';
import { getCurve } from '../db/stores/curves';
import { getInstrument } from '../db/stores/instruments';
import { figuresOf } from '../db/stores/readings';
import { getTemperament, listTemperaments } from '../db/stores/temperaments';
import { getVisit, updateVisit } from '../db/stores/visits';
import { knownStrings } from '../strings';

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
	const [temperaments, readings, measured, curve, habits] = await Promise.all([
		listTemperaments(workshopId),
		figuresOf(workshopId, [id]),
		knownStrings(workshopId, instrument),
		curveMeant(workshopId, visit),
		habitsOf(workshopId)
	]);
	const { name, kind, lowest, highest, twin, place } = instrument;
	const { a4, tolerance, stretch, temperamentId, stage, currentNote, moved, note, startedAt, finishedAt } = visit;
	return {
		visit: { id, a4, tolerance, stretch, temperamentId, stage, currentNote, moved, note, startedAt, finishedAt },
		instrument: { id: instrument.id, name, kind, lowest, highest, twin, place },
		temperaments,
		measured,
		curve,
		habits: habits ?? USUAL_HABITS,
		readings: readings.map(({ workshopId: _, visitId: __, ...reading }) => reading)
	};
}

const FINISHED = 'This visit is finished; its record no longer changes. Start a new visit.';

export type ChangeResult = { readonly kind: 'saved' } | { readonly kind: 'refused'; readonly why: string };

/** Changes an open visit; a finished one stays as it was recorded. */
export async function changeVisit(workshopId: string, id: string, changes: VisitChangesForm): Promise<ChangeResult> {
	const visit = await visitOr404(workshopId, id);
	if (visit.finishedAt) return { kind: 'refused', why: FINISHED };
	if (changes.temperamentId && !(await getTemperament(workshopId, changes.temperamentId)))
		return { kind: 'refused', why: 'That temperament is no longer in the library. Choose another.' };
	if (
		changes.stretch &&
		changes.stretch !== NO_STRETCH &&
		!(await getCurve(workshopId, visit.instrumentId, changes.stretch))
	)
		return { kind: 'refused', why: 'That curve is not one of this instrument’s. Choose another.' };
	await updateVisit(workshopId, id, changes);
	return { kind: 'saved' };
}

export type TakeResult =
	{ readonly kind: 'taken'; readonly curve: KeptCurve } | Extract<ChangeResult, { kind: 'refused' }>;

/** Draws the curve that is wished for, keeps it, and makes it the visit's. Earlier ones stay. */
export async function takeCurve(workshopId: string, id: string, wish: CurveChoice): Promise<TakeResult> {
	const visit = await visitOr404(workshopId, id);
	const instrument = (await getInstrument(workshopId, visit.instrumentId))!;
	if (visit.finishedAt) return { kind: 'refused', why: FINISHED };
	const strange = Object.keys(wish.held)
		.map(Number)
		.find((note) => note < instrument.lowest || note > instrument.highest);
	if (strange !== undefined)
		return { kind: 'refused', why: `${noteName(strange)} is kept by ear, but this keyboard does not have it.` };
	const curve = await drawAndKeep(workshopId, instrument, id, wish);
	await updateVisit(workshopId, id, { stretch: curve.id });
	return { kind: 'taken', curve };
}
