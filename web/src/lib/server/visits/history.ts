import {
	A4,
	breakOf,
	centsBetween,
	groupRecords,
	hz,
	pitchLeft,
	sectionsOf,
	summariseVisit,
	summaryBySection,
	usualStringing,
	type SectionId,
	type SectionSummary
} from '@fendrel/core';
import { planFor } from '$lib/tuning/plan';
import { curvesOf } from '../db/stores/curves';
import { readStrings, type Instrument } from '../db/stores/instruments';
import { visitSoundersOf } from '../db/stores/summaries';
import { listTemperaments } from '../db/stores/temperaments';
import { visitsOf } from '../db/stores/visits';
import { knownByReading } from '../strings/known';

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
	readonly startedBy: string | null;
	readonly sections: readonly SectionSummary<SectionId>[];
}

/** Every visit of an instrument with what its report says, newest first; each against the plan it ended with. */
export async function visitHistory(workshopId: string, instrument: Instrument): Promise<PastVisit[]> {
	const [visits, temperaments, curves] = await Promise.all([
		visitsOf(workshopId, instrument.id),
		listTemperaments(workshopId),
		curvesOf(workshopId, instrument.id, Infinity)
	]);
	const sounders = await visitSoundersOf(
		workshopId,
		visits.map(({ id }) => id)
	);
	const { kind, lowest, highest, usualA4 } = instrument;
	// Only a curve drawn afresh asks what the strings are.
	const drawn = visits.some(({ stretch }) => stretch.by === 'priority');
	const measured = drawn ? (await readStrings(workshopId, instrument.id)).map(knownByReading) : [];
	const strung = instrument.stringing ?? usualStringing(kind, lowest, highest);
	const sections = sectionsOf(lowest, highest, breakOf(strung));
	const compass = Array.from({ length: highest - lowest + 1 }, (_, i) => lowest + i);
	return visits.map((visit) => {
		const groups = groupRecords(sounders.get(visit.id)!);
		const temperament = temperaments.find(({ id }) => id === visit.temperamentId)!;
		const { a4, stretch } = visit;
		const curve = stretch.by === 'curve' ? curves.find(({ id }) => id === stretch.id) : undefined;
		const plan = planFor({ kind, lowest, highest, a4, temperament, stretch, curve, measured });
		const summary = summariseVisit(groups, compass, (note) => plan.targetOf(note)?.pitch);
		const shift = centsBetween(hz(usualA4), hz(a4));
		const fromUsual = (cents: number | undefined) => (cents === undefined ? undefined : cents + shift);
		return {
			id: visit.id,
			startedAt: visit.startedAt,
			finishedAt: visit.finishedAt,
			temperament: temperament.name,
			a4,
			a4Left: pitchLeft(groups, A4),
			found: fromUsual(summary.foundMiddle),
			left: fromUsual(summary.leftMean),
			notesSet: summary.set.length,
			movedMean: summary.movedMean,
			note: visit.note,
			startedBy: visit.startedBy,
			sections: summaryBySection(summary, sections).map(({ id, found, left }) => ({
				id,
				found: fromUsual(found),
				left: fromUsual(left)
			}))
		};
	});
}
