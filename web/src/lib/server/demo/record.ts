import {
	cents,
	centsBetween,
	equalHz,
	hzAbove,
	KEYBOARD,
	measureTwin,
	TWIN_A4,
	usualStringing,
	type Act,
	type Hz,
	type InstrumentTwin,
	type Keyboard,
	type Lasting,
	type Purpose,
	type Random,
	type Reading,
	type SounderId
} from '@fendrel/core';
import { v7 as uuid } from 'uuid';
import type { ActRow, PlanVersionRow, SimulatedPinsRow, VisitRow } from '../db/rows';
import { addActs, addReadings, keepPlanVersions, movePins, soundersText, type NewReading } from '../db/stores/record';
import { createVisit } from '../db/stores/visits';
import { inTransaction } from '../db/transaction';

const SECONDS_TO_SET = 50;
/** Seconds after the beginning of a visit at which its first note is read. */
const FIRST = 300;

/** A note of a demo visit; pitches in cents from equal at 440. */
interface DemoNote {
	readonly note: number;
	readonly target: number;
	readonly found: number;
	readonly left: number;
	readonly second: number;
}

/** The record of an invented visit while it is made up: its readings and acts, as one device would have made them. */
export interface DemoRecord {
	readonly visit: VisitRow;
	readonly twin: InstrumentTwin;
	readonly random: Random;
	readonly keyboard: Keyboard;
	readonly device: string;
	readonly plan: Omit<PlanVersionRow, 'workshopId' | 'visitId' | 'madeAt'>;
	readonly readings: NewReading[];
	readonly acts: ActRow[];
	counter: number;
}

/** Begins with the plan. */
export function demoRecord(
	visit: VisitRow,
	twin: InstrumentTwin,
	random: Random,
	stringing = usualStringing(twin.kind, twin.lowest, twin.highest)
): DemoRecord {
	const { lowest, highest } = twin;
	const { a4, temperamentId, tolerance, curveId, startedAt } = visit;
	const record: DemoRecord = {
		...{ visit, twin, random, device: uuid(), counter: 0, readings: [], acts: [] },
		keyboard: { lowest, highest, stringing },
		plan: { id: uuid(), a4, temperamentId, tolerance, curveId, lead: null }
	};
	addAct(record, 'plan', startedAt, { plan: record.plan }, record.plan.id);
	return record;
}

/** As much of a record as acts are added to. */
type Acting = Pick<DemoRecord, 'visit' | 'device' | 'acts'> & { counter: number };

export function addAct(record: Acting, kind: Act['do'], at: Date, act: Record<string, unknown>, id = uuid()): void {
	const { id: visitId, workshopId } = record.visit;
	const { sounders = null, reading = null } = act as { sounders?: ActRow['sounders'] & string; reading?: string };
	record.acts.push({
		...{ id, visitId, workshopId, kind, device: record.device, counter: ++record.counter, doneAt: at, placedAt: at },
		...{ seq: 1, sounders: sounders && String(sounders), readingId: reading, act, hash: null }
	});
}

/** Two readings of a note, as it was found and as it was left, and that it was left so. */
export function addFoundAndLeft(record: DemoRecord, { note, target: wanted, found, left, second }: DemoNote): void {
	const at = (seconds: number) => new Date(record.visit.startedAt.getTime() + (FIRST + seconds) * 1000);
	const target = hzAbove(equalHz(note, TWIN_A4), cents(wanted));
	const [sounder] = KEYBOARD.sounders(record.keyboard, note);
	const string = { note, sounder, target };
	addReading(record, string, found, at(second));
	const reading = addReading(record, string, left, at(second + SECONDS_TO_SET));
	addAct(record, 'accept', at(second + SECONDS_TO_SET), {
		...{ sounders: [sounder], purpose: 'set', pass: 1, reading, setTo: target, final: target, plan: record.plan.id }
	});
}

interface DemoString {
	readonly note: number;
	readonly sounder: SounderId;
	readonly target: Hz;
}

/** @param pitch in cents from equal at 440 @returns the reading's id */
function addReading(record: DemoRecord, { note, sounder, target }: DemoString, pitch: number, at: Date): string {
	const { visit, twin, random, device } = record;
	const measured = measureTwin(twin, note, pitch, random);
	const id = uuid();
	record.readings.push({
		row: {
			...{ id, visitId: visit.id, workshopId: visit.workshopId, sounders: soundersText([sounder]) },
			...{ device, counter: ++record.counter, takenAt: at, placedAt: at, seq: 1, hash: null },
			...{ way: 'struck', source: 'simulated', target, deviation: centsBetween(target, measured.pitch) },
			...{ pitch: measured.pitch, pitchError: measured.pitchError, fundamental: measured.flexiblePitch },
			inharmonicity: measured.inharmonicity ?? null,
			inharmonicityError: measured.inharmonicityError ?? null,
			...{ moment: measured.moment, listened: null },
			...{ falseBeat: null, falseBeatDepth: null, spread: null, spreadError: null }
		},
		partials: [...measured.partials]
	});
	return id;
}

/** @param visit as it stands at the end */
export async function saveRecord(
	{ plan, readings, acts }: Pick<DemoRecord, 'plan' | 'readings' | 'acts'>,
	visit: VisitRow,
	moved: SimulatedPinsRow['moved']
): Promise<void> {
	const { workshopId, id: visitId, startedAt: madeAt } = visit;
	await inTransaction(async (transaction) => {
		await createVisit(visit, transaction);
		await keepPlanVersions([{ ...plan, workshopId, visitId, madeAt }], transaction);
		await addReadings(readings, transaction);
		await addActs(acts, transaction);
		await movePins(visitId, moved, madeAt, 1, transaction);
	});
}

/** What a demo visit needs of a tone that was read. */
interface DemoTone {
	readonly sounder: SounderId;
	readonly pitch: number;
	readonly error: number;
	readonly target: number;
	readonly deviation: number;
	readonly lasting: Lasting;
}
type ToneRecord = Pick<DemoRecord, 'visit' | 'device' | 'readings' | 'acts' | 'plan'> & { counter: number };

/** A tone that lasts, as it was read. */
export function addTone(record: ToneRecord, at: Date, { sounder, pitch, error, ...told }: DemoTone): Reading {
	const { id: visitId, workshopId } = record.visit;
	const { target, deviation, lasting } = told;
	const reading: Reading = {
		...{ id: uuid(), device: record.device, counter: ++record.counter, at: at.getTime() },
		...{ way: 'lasting', sounders: [sounder], source: 'simulated', target, deviation, lasting, listened: null },
		...{ pitch, pitchError: error, fundamental: null, inharmonicity: null, inharmonicityError: null, moment: null },
		...{ falseBeat: null, falseBeatDepth: null, spread: null, spreadError: null }
	};
	const { at: _, sounders, ...row } = reading;
	record.readings.push({
		row: {
			...{ ...row, lasting },
			...{ visitId, workshopId, sounders: soundersText(sounders), takenAt: at, placedAt: at, seq: 1, hash: null }
		},
		partials: []
	});
	return reading;
}

/** It is taken as it stands. */
export function takeTone(record: ToneRecord, at: Date, purpose: Purpose, { id, sounders, target }: Reading): void {
	addAct(record, 'accept', at, {
		...{ sounders, purpose, pass: 1, reading: id },
		...{ setTo: target, final: target, plan: record.plan.id }
	});
}
