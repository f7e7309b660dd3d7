import { noteName, USUAL_HABITS } from '@fendrel/core';
import { error } from '@sveltejs/kit';
import type { CurveChoice, KeptCurve } from '$lib/tuning/curve';
import { stretchByCurve } from '$lib/tuning/stretch';
import type { VisitChangesForm } from '$lib/visit/schema';
import { curveMeant, drawAndKeep } from '../curves';
import { habitsOf } from '../db/stores/accounts';
import { getCurve } from '../db/stores/curves';
import { getInstrument } from '../db/stores/instruments';
import { eventsOf, pinsOf } from '../db/stores/record';
import { getTemperament, listTemperaments } from '../db/stores/temperaments';
import { getVisit, updateVisit, type Visit } from '../db/stores/visits';
import { changeAndRecord } from '../record/serverActs';
import { stringingOf } from '../stringing';
import { knownStrings } from '../strings';

/** The visit, or "not found": also when it belongs to another workshop. */
export async function visitOr404(workshopId: string, id: string): Promise<Visit> {
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
	const [temperaments, events, moved, measured, curve, habits, stringing] = await Promise.all([
		listTemperaments(workshopId),
		eventsOf(workshopId, id),
		pinsOf(id),
		knownStrings(workshopId, instrument),
		curveMeant(workshopId, visit),
		habitsOf(workshopId),
		stringingOf(workshopId, instrument)
	]);
	const { name, kind, lowest, highest, twin, place } = instrument;
	const { a4, tolerance, stretch, temperamentId, stage, note, startedAt, finishedAt } = visit;
	return {
		visit: { id, a4, tolerance, stretch, temperamentId, stage, note, startedAt, finishedAt },
		instrument: { id: instrument.id, name, kind, lowest, highest, stringing, twin, place },
		temperaments,
		measured,
		curve,
		habits: habits ?? USUAL_HABITS,
		/** Strings that the simulated instrument's lever has moved. */
		moved,
		events
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
	if (changes.stretch?.by === 'curve' && !(await getCurve(workshopId, visit.instrumentId, changes.stretch.id)))
		return { kind: 'refused', why: 'That curve is not one of this instrument’s. Choose another.' };
	const { stage, ...rest } = changes;
	if (stage) await updateVisit(workshopId, id, { stage });
	if (Object.keys(rest).length) await changeAndRecord(workshopId, id, rest);
	return { kind: 'saved' };
}

/** Ends a visit with a note for the record; one that is finished already stays as it is. */
export async function finishVisit(workshopId: string, id: string, note: string): Promise<Visit> {
	const visit = await visitOr404(workshopId, id);
	await changeAndRecord(workshopId, id, { note, stage: 'close', finishedAt: new Date() });
	return visit;
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
	await changeAndRecord(workshopId, id, { stretch: stretchByCurve(curve.id) });
	return { kind: 'taken', curve };
}
