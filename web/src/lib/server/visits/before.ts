import {
	type Arrival,
	arrivalOf,
	breakOf,
	closingOf,
	compareHappened,
	groupRecords,
	isArrivalAct,
	isClosingAct,
	jumpedNotes,
	otherWorkDue,
	usualStringing,
	type At,
	type Finding,
	type GroupRecord
} from '@fendrel/core';
import type { InstrumentBook, VisitBefore } from '$lib/device/books';
import { namesOf } from '../db/stores/accounts';
import { isStrung, type Instrument } from '../db/stores/instruments';
import { actsOfVisits } from '../db/stores/record';
import { visitSoundersOf } from '../db/stores/summaries';
import type { PastVisit } from './history';
import { standingActs } from './standingActs';

/** Visits that a technician at the door looks back on. */
const LOOKED_BACK = 24;

/**
 * What earlier visits of an instrument say: how it stood, in which climate, and what was left to do.
 * @param visits newest first
 */
export async function visitsBefore(
	workshopId: string,
	instrument: Instrument,
	visits: readonly PastVisit[]
): Promise<
	Pick<InstrumentBook, 'findings' | 'learned' | 'jumped' | 'pins' | 'otherWork'> & {
		readonly history: readonly VisitBefore[];
	}
> {
	const acts = await actsOfVisits(
		workshopId,
		visits.map(({ id }) => id),
		['brief', 'climate', 'finding', 'learned', 'again', 'alsoDue', 'forget', 'pinFound', 'takeBack']
	);
	const standing = new Map(visits.map(({ id }) => [id, standingActs(acts.get(id) ?? [])]));
	const arrivals = new Map([...standing].map(([id, all]) => [id, arrivalOf(all.filter(isArrivalAct))]));
	const closings = new Map([...standing].map(([id, all]) => [id, closingOf(all.filter(isClosingAct))]));
	const names = await namesOf(workshopId);
	const finished = visits.filter(({ finishedAt }) => finishedAt).slice(0, LOOKED_BACK);
	const history = finished.map(({ id, startedAt, finishedAt, startedBy, note, sections }): VisitBefore => {
		const { climate, brief, isBriefed } = arrivals.get(id)!;
		return {
			...{ id, note, sections, climate },
			at: startedAt.getTime(),
			minutes: Math.round((finishedAt!.getTime() - startedAt.getTime()) / 60_000),
			who: names.get(startedBy ?? '') ?? '',
			brief: isBriefed ? brief : undefined,
			again: closings.get(id)!.again
		};
	});
	const learned = [...standing]
		.filter(([id]) => !closings.get(id)!.forgotten.has('settling'))
		.flatMap(([, all]) => all.filter((act) => act.do === 'learned'))
		.sort(compareHappened)
		.at(-1)?.learned;
	const pins = [...standing.values()]
		.flatMap((all) => all.filter((act) => act.do === 'pinFound'))
		.sort(compareHappened)
		.map(({ sounder, place }) => ({ sounder, place }));
	return {
		...{ learned, pins, otherWork: otherWorkDue(visits.map(({ id }) => closings.get(id)!)) },
		history,
		jumped: await jumpedSince(
			workshopId,
			instrument,
			finished.slice(0, COMPARED).map(({ id }) => id)
		),
		findings: workLeft(visits.map(({ id }) => arrivals.get(id)!))
	};
}

/**
 * Work that was found and is still to do: of each finding the last word on it counts, in whichever visit it was said.
 * @param arrivals of visits, newest first
 */
export function workLeft(arrivals: readonly Arrival[]): readonly At<Finding>[] {
	const last = new Map<string, At<Finding>>();
	for (const { findings } of [...arrivals].reverse()) for (const [finding, said] of findings) last.set(finding, said);
	return [...last.values()].filter(({ state }) => state === 'open' || state === 'quoted');
}

/** Visits whose notes are compared from one to the next. */
const COMPARED = 4;

/** @param visits newest first */
async function jumpedSince(
	workshopId: string,
	instrument: Instrument,
	visits: readonly string[]
): Promise<readonly number[]> {
	if (!isStrung(instrument)) return [];
	const { kind, lowest, highest, stringing } = instrument;
	const sounders = await visitSoundersOf(workshopId, visits);
	const breakNote = breakOf(stringing ?? usualStringing(kind, lowest, highest));
	const of = visits.map((id) => [...groupRecords(sounders.get(id)!).values()]);
	const pitches = (groups: readonly GroupRecord[], pitch: (group: GroupRecord) => number | undefined) =>
		new Map(groups.flatMap((each) => (pitch(each) === undefined ? [] : [[each.group, pitch(each)!] as const])));
	const jumped = of.slice(1).flatMap((before, i) =>
		jumpedNotes(
			pitches(before, ({ left }) => left?.figure?.pitch),
			pitches(of[i], ({ found }) => found?.pitch),
			breakNote
		)
	);
	return [...new Set(jumped)];
}
