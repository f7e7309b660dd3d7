import { group } from 'd3-array';
import { centsBetween, hz, summariseVisit } from '@fendrel/core';
import type { Instrument } from '../db/stores/instruments';
import { figuresOf } from '../db/stores/readings';
import { listTemperaments } from '../db/stores/temperaments';
import { visitsOf } from '../db/stores/visits';

/** A visit as the instrument's page shows it; cents are from the instrument's usual pitch. */
export interface PastVisit {
	readonly id: string;
	readonly startedAt: Date;
	readonly finishedAt: Date | null;
	readonly temperament: string;
	readonly a4: number;
	readonly a4Left: number | undefined;
	readonly found: number | undefined;
	readonly left: number | undefined;
	readonly notesSet: number;
	readonly movedMean: number | undefined;
	readonly note: string;
}

/** Every visit of an instrument with what its readings say, newest first. */
export async function visitHistory(workshopId: string, instrument: Instrument): Promise<PastVisit[]> {
	const [visits, temperaments] = await Promise.all([visitsOf(workshopId, instrument.id), listTemperaments(workshopId)]);
	const names = new Map(temperaments.map(({ id, name }) => [id, name]));
	const readings = group(
		await figuresOf(
			workshopId,
			visits.map(({ id }) => id)
		),
		({ visitId }) => visitId
	);
	return visits.map((visit) => {
		const own = readings.get(visit.id) ?? [];
		const { lowest, highest, usualA4 } = instrument;
		const summary = summariseVisit(own.map(asSetReading), lowest, highest);
		const shift = centsBetween(hz(usualA4), hz(visit.a4));
		const lefts = [...summary.notes.values()].flatMap(({ left }) => (left === undefined ? [] : [left]));
		return {
			id: visit.id,
			startedAt: visit.startedAt,
			finishedAt: visit.finishedAt,
			temperament: names.get(visit.temperamentId) ?? '',
			a4: visit.a4,
			a4Left: own.findLast(({ note, accepted }) => note === 69 && accepted)?.pitch ?? undefined,
			found: summary.foundMiddle === undefined ? undefined : summary.foundMiddle + shift,
			left: lefts.length === 0 ? undefined : shift + lefts.reduce((sum, left) => sum + left, 0) / lefts.length,
			notesSet: summary.set.length,
			movedMean: summary.movedMean,
			note: visit.note
		};
	});
}

function asSetReading({
	note,
	takenAt,
	deviation,
	accepted
}: {
	note: number;
	takenAt: Date;
	deviation: number | null;
	accepted: boolean;
}) {
	return { note, takenAt: takenAt.getTime(), deviation: deviation ?? undefined, accepted };
}
