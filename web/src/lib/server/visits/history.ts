import { createHash } from 'node:crypto';
import {
	fretPlaceOf,
	A4,
	breakOf,
	centsBetween,
	groupRecords,
	hz,
	pitchLeft,
	sectionsOf,
	summariseVisit,
	summaryBySection,
	usualStringing
} from '@fendrel/core';
import { planFor } from '$lib/tuning/plan';
import type { StoredTemperament } from '$lib/tuning/storedTemperament';
import { curvesAmong } from '../db/stores/curves';
import { isStrung, readStrings, type Instrument, type StrungInstrument } from '../db/stores/instruments';
import { visitSoundersOf } from '../db/stores/summaries';
import { listTemperaments } from '../db/stores/temperaments';
import { visitsOfEach, type Visit } from '../db/stores/visits';
import { keepSummariesOfVisits, keptSummaries } from '../db/stores/visitSummaries';
import type { VisitSummary, VisitSummaryRow } from '../db/rows';
import { knownByReading } from '../strings/known';

/** A visit as the instrument's page shows it. */
export interface PastVisit extends VisitSummary {
	readonly id: string;
	readonly startedAt: Date;
	readonly finishedAt: Date | null;
	readonly temperament: string;
	readonly a4: number;
	readonly note: string;
	readonly startedBy: string | null;
}

/** Every visit of an instrument with what its report says, newest first; each against the plan it ended with. */
export async function visitHistory(workshopId: string, instrument: Instrument): Promise<readonly PastVisit[]> {
	return (await visitHistories(workshopId, [instrument])).get(instrument.id)!;
}

/** The same of many instruments. */
export async function visitHistories(
	workshopId: string,
	instruments: readonly Instrument[]
): Promise<ReadonlyMap<string, readonly PastVisit[]>> {
	const ids = instruments.map(({ id }) => id);
	const [visits, temperaments, kept] = await Promise.all([
		visitsOfEach(workshopId, ids),
		listTemperaments(workshopId),
		keptSummaries(ids)
	]);
	const histories = new Map<string, readonly PastVisit[]>();
	for (const instrument of instruments)
		histories.set(
			instrument.id,
			await historyOf(workshopId, instrument, visits.get(instrument.id)!, temperaments, kept)
		);
	return histories;
}

/** From what is kept where that still holds; made anew where it does not, and kept. */
async function historyOf(
	workshopId: string,
	instrument: Instrument,
	visits: readonly Visit[],
	temperaments: readonly StoredTemperament[],
	kept: ReadonlyMap<string, VisitSummaryRow>
): Promise<readonly PastVisit[]> {
	const basis = basisOf(instrument);
	const isKept = ({ id, seq }: Visit) => kept.get(id)?.seq === seq && kept.get(id)?.basis === basis;
	const changed = visits.filter((visit) => !isKept(visit));
	const fresh = changed.length
		? isStrung(instrument)
			? await summarise(workshopId, instrument, changed, temperaments)
			: await summariseByTarget(workshopId, changed, instrument.kind === 'frets' ? isOpenString : undefined)
		: new Map<string, VisitSummary>();
	if (fresh.size)
		await keepSummariesOfVisits(
			changed.map(({ id, instrumentId, seq }) => ({
				...{ visitId: id, instrumentId, seq, basis },
				summary: fresh.get(id)!
			}))
		);
	return visits.map((visit) => ({
		...(fresh.get(visit.id) ?? kept.get(visit.id)!.summary),
		id: visit.id,
		startedAt: visit.startedAt,
		finishedAt: visit.finishedAt,
		temperament: temperaments.find(({ id }) => id === visit.temperamentId)!.name,
		a4: visit.a4,
		note: visit.note,
		startedBy: visit.startedBy
	}));
}

/** What a summary rests on besides the visit: when that is another one, it is made anew. */
function basisOf({ kind, lowest, highest, usualA4, stringing, reeds, neck }: Instrument): string {
	return createHash('sha256')
		.update(
			JSON.stringify([
				SUMMARY_FORMAT,
				kind,
				lowest,
				highest,
				usualA4,
				stringing,
				...(reeds ? [reeds] : []),
				...(neck ? [neck] : [])
			])
		)
		.digest('hex');
}
/** Rises when a summary says something else. */
const SUMMARY_FORMAT = 1;

/** Of strings over frets the open ones are set; the others go with the frets. */
const isOpenString = (group: number) => fretPlaceOf(group).fret === 0;

/** What visits to reeds and frets come to: each from where it was to stand then. */
async function summariseByTarget(
	workshopId: string,
	visits: readonly Visit[],
	isCounted: (group: number) => boolean = () => true
): Promise<Map<string, VisitSummary>> {
	const sounders = await visitSoundersOf(
		workshopId,
		visits.map(({ id }) => id)
	);
	return new Map(
		visits.map(({ id }) => {
			const groups = groupRecords(sounders.get(id)!);
			const targetOf = (group: number) => {
				const { left, found } = groups.get(group)!;
				const target = left?.figure?.target ?? found?.target;
				return target === undefined ? undefined : hz(target);
			};
			const summary = summariseVisit(groups, [...groups.keys()].filter(isCounted), targetOf);
			const said = { a4Left: undefined, notesSet: summary.set.length, movedMean: summary.movedMean, sections: [] };
			return [id, { ...said, found: summary.foundMiddle, left: summary.leftMean }];
		})
	);
}

/** What the reports of some of an instrument's visits come to. */
async function summarise(
	workshopId: string,
	instrument: StrungInstrument,
	visits: readonly Visit[],
	temperaments: readonly StoredTemperament[]
): Promise<Map<string, VisitSummary>> {
	const { kind, lowest, highest, usualA4 } = instrument;
	const taken = visits.flatMap(({ stretch }) => (stretch.by === 'curve' ? stretch.id : []));
	const [curves, sounders] = await Promise.all([
		curvesAmong(instrument.id, [...new Set(taken)]),
		visitSoundersOf(
			workshopId,
			visits.map(({ id }) => id)
		)
	]);
	// Only a curve drawn afresh asks what the strings are.
	const drawn = visits.some(({ stretch }) => stretch.by === 'priority');
	const measured = drawn ? (await readStrings(workshopId, instrument.id)).map(knownByReading) : [];
	const strung = instrument.stringing ?? usualStringing(kind, lowest, highest);
	const sections = sectionsOf(lowest, highest, breakOf(strung));
	const compass = Array.from({ length: highest - lowest + 1 }, (_, i) => lowest + i);
	return new Map(
		visits.map((visit) => {
			const groups = groupRecords(sounders.get(visit.id)!);
			const temperament = temperaments.find(({ id }) => id === visit.temperamentId)!;
			const { a4, stretch } = visit;
			const curve = stretch.by === 'curve' ? curves.find(({ id }) => id === stretch.id) : undefined;
			const plan = planFor({ kind, lowest, highest, a4, temperament, stretch, curve, measured });
			const summary = summariseVisit(groups, compass, (note) => plan.targetOf(note)?.pitch);
			const shift = centsBetween(hz(usualA4), hz(a4));
			const fromUsual = (cents: number | undefined) => (cents === undefined ? undefined : cents + shift);
			const said: VisitSummary = {
				a4Left: pitchLeft(groups, A4),
				found: fromUsual(summary.foundMiddle),
				left: fromUsual(summary.leftMean),
				notesSet: summary.set.length,
				movedMean: summary.movedMean,
				sections: summaryBySection(summary, sections).map(({ id, found, left }) => ({
					id,
					found: fromUsual(found),
					left: fromUsual(left)
				}))
			};
			return [visit.id, said];
		})
	);
}
