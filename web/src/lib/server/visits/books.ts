import {
	centsBetween,
	equalHz,
	guitarReadings,
	hz,
	isReading,
	isTied,
	noteClass,
	offsetsFromEqual,
	pluckedStrings,
	USUAL_HABITS,
	type Neck
} from '@fendrel/core';
import { error } from '@sveltejs/kit';
import {
	isKeyboardBook,
	type BookInstrument,
	type InstrumentBook,
	type KeyboardInstrument,
	type LastVisit,
	type VisitBundle,
	type VisitChanges
} from '$lib/device/books';
import { tableRowOf } from '$lib/instruments/scale/stringLine';
import type { StoredTemperament } from '$lib/tuning/storedTemperament';
import { habitsOf, namesOf, settingsOf } from '../db/stores/accounts';
import { curvesAmong, curvesOf } from '../db/stores/curves';
import { getInstrument, housePitch, isStrung, type Instrument } from '../db/stores/instruments';
import { changesSince, eventsOf, pinsOf } from '../db/stores/record';
import { stringTablesOf } from '../db/stores/stringTables';
import { listTemperaments } from '../db/stores/temperaments';
import { lastPlanOf, visitsOf, type Visit } from '../db/stores/visits';
import { visitsBefore } from './before';
import { leftPitches } from './left';
import { visitHistory } from './history';
import { workshopPace } from './pace';
import { visitOr404 } from '../find';
import { stringingOf } from '../strings/stringing';
import { knownStrings } from '../strings/known';

/** The newest curves of an instrument, and those that some visits stand on, however old. */
async function curvesWith(workshopId: string, instrumentId: string, visits: readonly Visit[]) {
	const newest = await curvesOf(workshopId, instrumentId);
	const wanted = visits.flatMap(({ stretch }) => (stretch.by === 'curve' ? stretch.id : []));
	const older = wanted.filter((id) => !newest.some((each) => each.id === id));
	return [...newest, ...(await curvesAmong(instrumentId, [...new Set(older)]))];
}

async function bookInstrument(workshopId: string, instrument: Instrument): Promise<BookInstrument> {
	const { id, name, lowest, highest, usualA4, location } = instrument;
	const about = { id, name, lowest, highest, usualA4, location };
	if (isStrung(instrument)) {
		const { kind, twin } = instrument;
		return { ...about, kind, twin, stringing: await stringingOf(workshopId, instrument) };
	}
	if (instrument.kind === 'frets') {
		const { kind, twin, neck } = instrument;
		return { ...about, kind, twin, neck };
	}
	const { kind, twin, reeds } = instrument;
	return { ...about, kind, twin, reeds };
}

/** What a device holds of an instrument, and the curve of one of its visits. */
export async function instrumentBook(
	workshopId: string,
	instrument: Instrument,
	visit?: Visit
): Promise<InstrumentBook> {
	const { id } = instrument;
	const settings = await settingsOf(workshopId);
	const [temperaments, measured, habits, about, visits, [table], before, pace, house] = await Promise.all([
		listTemperaments(workshopId),
		isStrung(instrument) ? knownStrings(workshopId, instrument) : [],
		habitsOf(workshopId),
		bookInstrument(workshopId, instrument),
		visitsOf(workshopId, id),
		stringTablesOf(workshopId, id, 1),
		visitHistory(workshopId, instrument).then((past) => visitsBefore(workshopId, instrument, past)),
		workshopPace(workshopId, settings.minutes),
		housePitch(workshopId, instrument)
	]);
	const last = visits.find(({ finishedAt }) => finishedAt);
	const curves = await curvesWith(workshopId, id, [...(last ? [last] : []), ...(visit ? [visit] : [])]);
	return {
		instrument: about,
		temperaments,
		measured,
		wires: table?.strings.map(tableRowOf) ?? [],
		curves,
		...before,
		habits: habits ?? USUAL_HABITS,
		settings,
		house,
		pace,
		last: last && (await lastVisit(workshopId, instrument, last, temperaments)),
		open: visits.find(({ finishedAt }) => !finishedAt)?.id
	};
}

async function lastVisit(
	workshopId: string,
	instrument: Instrument,
	{ id, a4, tolerance, temperamentId, stretch, startedAt }: Visit,
	temperaments: readonly StoredTemperament[]
): Promise<LastVisit> {
	const temperament = temperaments.find((each) => each.id === temperamentId);
	const offsets = temperament ? offsetsFromEqual(temperament) : undefined;
	const left = (await leftPitches(workshopId, id)).map(({ note, pitch }) => {
		const cents = centsBetween(equalHz(note, hz(a4)), pitch) - (offsets?.[noteClass(note)] ?? 0);
		return { note, cents: Number(cents.toFixed(2)) };
	});
	// Another day has other breaths, and another microphone.
	const planned = await lastPlanOf(id);
	const intonation = planned?.intonation && { ...planned.intonation, gentle: null, playing: null };
	return {
		...{ at: startedAt.getTime(), a4, tolerance, temperamentId, stretch, left },
		...(intonation && { intonation }),
		...(planned?.frets && { frets: planned.frets }),
		...(instrument.kind === 'frets' &&
			!isTied(instrument.neck) &&
			(await pluckedThen(workshopId, instrument.neck, id, a4)))
	};
}

/** What a guitar's strings did in a visit; nothing where nobody measured them. */
async function pluckedThen(workshopId: string, neck: Neck, visitId: string, a4: number) {
	const readings = (await eventsOf(workshopId, visitId)).filter(isReading);
	const told = guitarReadings(neck, hz(a4), readings);
	return told.length ? { plucked: pluckedStrings(neck, told) } : undefined;
}

/** Everything that a visit's stages work with. */
export async function visitBundle(workshopId: string, asked: string): Promise<VisitBundle> {
	const opened = await visitOr404(workshopId, asked);
	const { id, instrumentId, startedAt, startedBy, stage, seq } = opened;
	const instrument = (await getInstrument(workshopId, instrumentId))!;
	const [about, events, moved, names] = await Promise.all([
		instrumentBook(workshopId, instrument, opened),
		eventsOf(workshopId, id),
		pinsOf(id),
		namesOf(workshopId)
	]);
	const who = names.get(startedBy ?? '');
	return { visit: { id, instrumentId, startedAt: startedAt.getTime(), who, stage, seq, events, moved }, about };
}

/** The same of a visit to a keyboard: what is made of its strings has no meaning for other families. */
export async function keyboardBundle(workshopId: string, asked: string): Promise<VisitBundle<KeyboardInstrument>> {
	const { visit, about } = await visitBundle(workshopId, asked);
	return isKeyboardBook(about)
		? { visit, about }
		: error(404, { message: `${about.instrument.name} has no keyboard.` });
}

/** What was written to a visit since a device last asked. */
export async function visitChanges(workshopId: string, asked: string, since: number): Promise<VisitChanges> {
	const { id: visit, instrumentId, seq } = await visitOr404(workshopId, asked);
	if (seq <= since) return { visit, seq, told: [], curves: [], moved: undefined };
	const { readings, acts, moved, movedAt } = await changesSince(workshopId, visit, since);
	const taken = acts.flatMap((act) => (act.do === 'plan' ? (act.plan.curveId ?? []) : []));
	return {
		visit,
		seq,
		told: [...readings, ...acts.map((event) => ({ event }))],
		curves: await curvesAmong(instrumentId, taken),
		...{ moved, movedAt }
	};
}
