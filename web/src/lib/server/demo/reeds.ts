import {
	adviseFiling,
	bitesOf,
	centsBetween,
	createRandom,
	FAMILIES,
	fileReed,
	hz,
	layoutById,
	placedReeds,
	reedSound,
	reedSounder,
	reedTargets,
	type ActOf,
	type Bite,
	type PlannedIntonation,
	type Random,
	type Reading,
	type ReedSet,
	type ReedTarget,
	type ReedTwin
} from '@fendrel/core';
import { subMonths } from 'date-fns';
import { v7 as uuid } from 'uuid';
import { compassOf } from '$lib/instruments/reedForm';
import { reedPlanOf } from '$lib/visit/reedPlan';
import type { SimulatedPinsRow, VisitRow } from '../db/rows';
import { createInstrument } from '../db/stores/instruments';
import { inTransaction } from '../db/transaction';
import { addAct, addTone, saveRecord, takeTone, type DemoRecord } from './record';
import { HARPS, HALF_FILED, type DemoHarp } from './scenario';

/** What full breath is heard as, in decibels relative to full scale, and what a swell spans. */
const FULL = -18.5;
const SWELL = { level: -3, softest: -16.5 } as const;
const LEVELS = { gentle: FULL + SWELL.softest, playing: FULL + SWELL.level } as const;
const A4 = 442;
/** Seconds that a reed takes to be read, and to be filed once. */
const SECONDS = { read: 12, file: 55 } as const;
/** Readings err by so many cents. */
const ERROR = 0.05;

const INTONATION: PlannedIntonation = {
	...{ level: 'chords', share: 1, seventh: -15, ninth: null, own: {}, bite: 'learned' },
	...LEVELS
};

/** A visit to a set of reeds while it is made up. */
interface ReedDemo {
	readonly record: Omit<DemoRecord, 'twin' | 'keyboard'>;
	readonly twin: ReedTwin;
	readonly set: ReedSet;
	readonly targets: readonly ReedTarget[];
	readonly moved: Record<number, number>;
	readonly readings: Map<number, Reading[]>;
	readonly filed: Map<number, ActOf<'filed'>[]>;
	seconds: number;
}

/** The ferry band's harmonicas: one is half done, the others were set at the last festival. */
export async function loadHarps(
	workshopId: string,
	today: Date,
	visitOf: (instrumentId: string, startedAt: Date, a4: number) => VisitRow
): Promise<void> {
	for (const [i, harp] of HARPS.entries()) {
		const { set, twin } = reedsOf(harp, i);
		const details = {
			...({ name: harp.name, kind: 'reeds', location: 'The Ferry', town: 'Saltmarsh Quay', place: '' } as const),
			...{ maker: 'Quillon Reedworks', madeIn: 2016 + i, notes: harp.notes, usualA4: A4 },
			...{ ...compassOf(set), reeds: set, neck: null, twin }
		};
		const instrumentId = await inTransaction((transaction) => createInstrument(workshopId, details, transaction));
		const random = createRandom(7001 + i);
		const isHalf = harp.name === HALF_FILED.harp;
		const at = isHalf ? today : subMonths(today, 12);
		const demo = begun(visitOf(instrumentId, at, A4), set, twin, random);
		for (const { group } of placedReeds(set)) read(demo, group, random);
		const order = FAMILIES.reeds.order(set, 'chords').map(({ note }) => note);
		for (const group of isHalf ? order.slice(0, HALF_FILED.reeds) : order) setReed(demo, group, random);
		const { visit } = demo.record;
		const end = timeOf(demo);
		const pins: SimulatedPinsRow['moved'] = {};
		for (const [group, by] of Object.entries(demo.moved)) pins[group] = [{ pin: by, speaking: by }];
		if (isHalf) {
			addAct(demo.record, 'place', end, { group: order[HALF_FILED.reeds] });
			await saveRecord(demo.record, { ...visit, stage: 'set' }, pins);
		} else {
			addAct(demo.record, 'note', end, { text: harp.left });
			addAct(demo.record, 'finish', end, {});
			await saveRecord(demo.record, { ...visit, stage: 'close', finishedAt: end, note: harp.left }, {});
		}
	}
}

function reedsOf({ tonic, layout, auxiliaries = [] }: DemoHarp, i: number): { set: ReedSet; twin: ReedTwin } {
	return {
		set: { tonic, layout: layoutById(layout)!, auxiliaries, metal: 'brass', length: 'usual', spacing: 7.5 },
		twin: { kind: 'reeds', seed: 4400 + 17 * i }
	};
}

function begun(visit: VisitRow, set: ReedSet, twin: ReedTwin, random: Random): ReedDemo {
	const { a4, temperamentId, tolerance, startedAt } = visit;
	const plan = { id: uuid(), a4, temperamentId, tolerance, curveId: null, lead: null, intonation: INTONATION };
	const record = { visit, random, device: uuid(), counter: 0, readings: [], acts: [], plan };
	addAct(record, 'plan', startedAt, { plan }, plan.id);
	const slopes = new Map(
		placedReeds(set).map(({ group }) => [
			group,
			reedSound({ twin, set, a4: hz(a4), moved: {} }, [group], 'hard', 0)[0].slope
		])
	);
	const targets = reedTargets(set, {
		...{ a4: hz(a4), intonation: reedPlanOf(INTONATION), levels: LEVELS },
		slopeOf: (group) => ({ slope: slopes.get(group)!, error: 0.02 })
	});
	return { record, twin, set, targets, moved: {}, readings: new Map(), filed: new Map(), seconds: 240 };
}

const timeOf = ({ record, seconds }: ReedDemo) => new Date(record.visit.startedAt.getTime() + seconds * 1000);

/** One swell of a reed, as it was heard. @returns its reading, in the terms of the record */
function read(demo: ReedDemo, group: number, random: Random): Reading {
	const { record, twin, set, targets, moved, readings } = demo;
	const { a4 } = record.visit;
	demo.seconds += SECONDS.read;
	const at = timeOf(demo);
	const [{ pitch: full, slope, wobble }] = reedSound({ twin, set, a4: hz(a4), moved }, [group], 'hard', 0);
	const pitch = full * 2 ** ((slope * SWELL.level + ERROR * random.normal()) / 1200);
	const told = slope + 0.01 * random.normal();
	const target = targets.find((each) => each.group === group)!.pitch;
	const level = FULL + SWELL.level;
	const deviation = centsBetween(target, hz(pitch)) + told * (LEVELS.gentle - level);
	const reading = addTone(record, at, {
		...{ sounder: reedSounder(group), pitch, error: ERROR, target, deviation },
		lasting: {
			...{ level, softest: LEVELS.gentle, slope: told, slopeError: 0.02, drift: 0, setUp: 'block' },
			wobble: wobble.cents * 0.7
		}
	});
	const before = readings.get(group) ?? [];
	readings.set(group, [...before, reading]);
	if (before.length === 0) takeTone(record, at, 'found', reading);
	return reading;
}

/** Filed by advice until it stands, each bite logged. */
function setReed(demo: ReedDemo, group: number, random: Random): void {
	const { record, twin, set, targets, moved, readings, filed } = demo;
	const { nominal } = targets.find((each) => each.group === group)!;
	const { a4, tolerance } = record.visit;
	let last = readings.get(group)!.at(-1)!;
	let bites: readonly Bite[] = [];
	for (let rounds = 0; rounds < 12; rounds++) {
		const advice = adviseFiling(last.deviation, tolerance, bites, nominal);
		if (advice.is === 'leave') break;
		const { end, strokes } = advice;
		demo.seconds += SECONDS.file;
		const own = filed.get(group) ?? [];
		const before = own.reduce((sum, each) => sum + each.strokes, 0);
		moved[group] = (moved[group] ?? 0) + fileReed(twin, set, hz(a4), { group, end, strokes, before });
		const sounders = [reedSounder(group)];
		const id = uuid();
		const at = timeOf(demo);
		addAct(record, 'filed', at, { sounders, end, strokes }, id);
		filed.set(group, [
			...own,
			{ id, device: record.device, counter: record.counter, at: at.getTime(), do: 'filed', sounders, end, strokes }
		]);
		last = read(demo, group, random);
		bites = bitesOf(readings.get(group)!, filed.get(group)!, 'block', nominal, LEVELS.gentle);
	}
	takeTone(record, timeOf(demo), 'set', last);
}
