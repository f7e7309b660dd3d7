import { centsBetween, cents, equalHz, groupRecords, hz, noteClass, offsetsFromEqual } from '@fendrel/core';
import { curvesOf } from '../db/stores/curves';
import { visitSoundersOf } from '../db/stores/summaries';
import { getTemperament } from '../db/stores/temperaments';
import { visitsOf, type Visit } from '../db/stores/visits';
import { visitOr404 } from './open';

/** Where notes stand, or were left: cents from equal temperament, that visit's temperament taken out. */
export interface Standing {
	readonly by: 'found' | 'left';
	readonly at: Date;
	readonly notes: readonly { readonly note: number; readonly cents: number }[];
}

/** Fewer notes found than this say less than what the last visit left. */
const ENOUGH_FOUND = 12;

/** What the curve sheet shows beside the visit itself. */
export async function loadCurveSheet(workshopId: string, visitId: string) {
	const visit = await visitOr404(workshopId, visitId);
	const [curves, visits] = await Promise.all([
		curvesOf(workshopId, visit.instrumentId),
		visitsOf(workshopId, visit.instrumentId)
	]);
	const earlier = visits.filter(({ id, finishedAt }) => id !== visit.id && finishedAt);
	const last = earlier[0];
	const found = await standing(workshopId, visit, 'found', last?.temperamentId ?? visit.temperamentId);
	const left = last && (await standing(workshopId, last, 'left', last.temperamentId));
	return {
		curves,
		/** The curve of the visit before, where it had one that was kept. */
		lastCurveId: curves.find(({ id }) => last?.stretch.by === 'curve' && id === last.stretch.id)?.id,
		standing: found.notes.length >= ENOUGH_FOUND || !left?.notes.length ? found : left
	};
}

async function standing(
	workshopId: string,
	visit: Pick<Visit, 'id' | 'a4' | 'startedAt'>,
	by: Standing['by'],
	temperamentId: string
): Promise<Standing> {
	const [sounders, temperament] = await Promise.all([
		visitSoundersOf(workshopId, [visit.id]),
		getTemperament(workshopId, temperamentId)
	]);
	const offsets = temperament ? offsetsFromEqual(temperament) : undefined;
	const notes = [...groupRecords(sounders.get(visit.id)!).values()].flatMap(({ group: note, found, left }) => {
		const pitch = (by === 'found' ? found : left?.figure)?.pitch;
		if (pitch === undefined) return [];
		const fromEqual = centsBetween(equalHz(note, hz(visit.a4)), hz(pitch)) - (offsets?.[noteClass(note)] ?? 0);
		return [{ note, cents: cents(Number(fromEqual.toFixed(2))) }];
	});
	return { by, at: visit.startedAt, notes };
}
