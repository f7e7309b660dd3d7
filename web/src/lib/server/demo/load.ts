import {
	BLANK_BRIEF,
	centsBetween,
	createRandom,
	DEFAULT_TOLERANCE,
	defaultTwin,
	foundStrings,
	hz,
	loggedClimate,
	noteClass,
	offsetsFromEqual,
	REGISTRATIONS,
	roomOf,
	settingOrder,
	temperamentById,
	TWIN_A4,
	twinInharmonicity,
	usualStringing,
	type InstrumentTwin,
	type Random,
	type Stringing
} from '@fendrel/core';
import { differenceInCalendarDays, getDayOfYear, subDays, subMonths } from 'date-fns';
import { v7 as uuid } from 'uuid';
import { hashPassword } from '../auth/signIn';
import type { SimulatedPinsRow, VisitRow } from '../db/rows';
import { createAccount, keepSettings } from '../db/stores/accounts';
import { keepCurve } from '../db/stores/curves';
import { createInstrument, keepStringing, listInstruments } from '../db/stores/instruments';
import { inTransaction } from '../db/transaction';
import { keepStringTable } from '../db/stores/stringTables';
import { listTemperaments } from '../db/stores/temperaments';
import { USUAL_SETTINGS } from '$lib/settings/settings';
import { BALANCED, curveAt, drawCurve, type KeptCurve } from '$lib/tuning/curve';
import type { KnownString } from '$lib/tuning/strings';
import { rebuildSummaries } from '../record/keep';
import { addAct, addFoundAndLeft, demoRecord, saveRecord, type DemoRecord } from './record';
import { demoStrings } from './strings';
import { loadDiary } from './diary';
import { loadEnsembles } from './ensembles';
import { loadNecks } from './frets';
import { loadGuitar } from './guitar';
import { loadHarps } from './reeds';
import { loadPractice } from './practice';
import { loadTempering } from './tempering';
import {
	CLOSING_NOTES,
	DEMO_ACCOUNT,
	DEMO_INSTRUMENTS,
	DEMO_PRICE,
	GUITAR,
	HALF_DONE,
	type DemoInstrument
} from './scenario';

const SEED = 1907;
const SECONDS_PER_NOTE = 70;

interface Context {
	readonly workshopId: string;
	readonly userId: string;
	readonly today: Date;
	readonly temperamentIds: ReadonlyMap<string, string>;
}

/** Fills an empty database with the demo scenario. The same day gives the same data. */
export async function loadDemo(now = new Date(process.env.FENDREL_DEMO_DATE ?? Date.now())): Promise<void> {
	const user = await createAccount({
		...DEMO_ACCOUNT,
		passwordHash: await hashPassword(DEMO_ACCOUNT.password),
		demo: true,
		first: true
	});
	await keepSettings(user.workshopId, { ...USUAL_SETTINGS, price: DEMO_PRICE });
	const temperaments = await listTemperaments(user.workshopId);
	const today = new Date(now);
	today.setUTCHours(9, 0, 0, 0);
	const context = {
		workshopId: user.workshopId,
		userId: user.id,
		today,
		temperamentIds: new Map(temperaments.map(({ slug, id }) => [slug, id]))
	};
	for (const [index, instrument] of DEMO_INSTRUMENTS.entries()) await loadInstrument(context, instrument, index);
	await loadHarps(user.workshopId, today, (instrumentId, startedAt, a4) =>
		visitRow(context, { temperament: 'equal', a4 }, instrumentId, startedAt, undefined)
	);
	await loadNecks(user.workshopId, today, temperaments, (instrumentId, startedAt, set) =>
		visitRow(context, set, instrumentId, startedAt, undefined)
	);
	await loadGuitar(user.workshopId, today, (instrumentId, startedAt) =>
		visitRow(context, { temperament: 'equal', a4: GUITAR.a4 }, instrumentId, startedAt, undefined)
	);
	await rebuildSummaries();
	await loadEnsembles(user.workshopId);
	await loadTempering(user.workshopId, today, await listInstruments(user.workshopId));
	await loadDiary(user.workshopId, user.id, today);
	await loadPractice(user.id, today);
}

async function loadInstrument(context: Context, instrument: DemoInstrument, index: number): Promise<void> {
	const random = createRandom(SEED + 31 * index);
	const daysAgo = instrument.neglected ? 790 : 40 + Math.floor(90 * random.uniform());
	const lastVisit = subDays(context.today, daysAgo);
	const twin = twinNow(context, instrument, lastVisit, SEED + index);
	const { name, kind, location, town, maker, madeIn, lowest, highest, notes, a4 } = instrument;
	const details = {
		...{ name, kind, location, town, place: '', maker, madeIn },
		...{ lowest, highest, notes, usualA4: a4, reeds: null, neck: null, twin }
	};
	const instrumentId = await inTransaction((transaction) => createInstrument(context.workshopId, details, transaction));
	if (instrument.strung)
		await keepStringTable(
			context.workshopId,
			instrumentId,
			demoStrings(twin, instrument.strung),
			subMonths(context.today, 2)
		);
	const stringing = demoStringing(instrument);
	if (instrument.registers)
		await inTransaction((transaction) => keepStringing(context.workshopId, instrumentId, stringing, transaction));
	const curve = await loadCurve(context, instrument, instrumentId, twin);
	for (let back = instrument.visits - 1; back >= 0; back--) {
		const at = subMonths(lastVisit, back * instrument.every);
		await loadVisit(context, instrument, instrumentId, twin, curve, {
			at,
			first: back === instrument.visits - 1,
			random
		});
	}
	if (name === HALF_DONE.instrument) await loadHalfDone(context, instrument, instrumentId, twin, curve, random);
}

/** As its kind is usually strung, with its own registers. */
function demoStringing({ kind, lowest, highest, registers }: DemoInstrument): Stringing {
	const usual = usualStringing(kind, lowest, highest);
	return { ...usual, choirs: REGISTRATIONS.find(({ id }) => id === registers)?.choirs ?? usual.choirs };
}

/** How far the whole instrument lies from its pitch on a day, so long after a visit: it sinks, and summer damp lifts it. */
function driftOn(day: Date, { sinks, swing }: DemoInstrument, monthsSince: number): number {
	const season = Math.sin((2 * Math.PI * (getDayOfYear(day) - 121)) / 365);
	return (-sinks * monthsSince) / 12 + swing * season;
}

function twinNow({ today }: Context, instrument: DemoInstrument, lastVisit: Date, seed: number): InstrumentTwin {
	const { kind, lowest, highest, a4, neglected } = instrument;
	const months = differenceInCalendarDays(today, lastVisit) / 30;
	const level = centsBetween(TWIN_A4, hz(a4)) + (neglected ? -neglected : driftOn(today, instrument, months));
	return {
		...defaultTwin(kind, lowest, highest, seed, a4),
		oddStrings: { ...instrument.strung?.wrong, ...instrument.strung?.dead },
		found: {
			bass: level + (neglected ? 7 : 1.5),
			tenor: level - instrument.swing * 0.4,
			middle: level,
			treble: level - (neglected ? 5 : 1)
		},
		scatter: neglected ? 3.5 : 1.2,
		unisonScatter: neglected ? 2.2 : 0.8,
		...(instrument.rust && { rust: instrument.rust })
	};
}

interface PastVisit {
	readonly at: Date;
	readonly first: boolean;
	readonly random: Random;
}

async function loadVisit(
	context: Context,
	instrument: DemoInstrument,
	instrumentId: string,
	twin: InstrumentTwin,
	curve: KeptCurve | undefined,
	{ at, first, random }: PastVisit
): Promise<void> {
	const visit = visitRow(context, instrument, instrumentId, at, curve);
	const record = demoRecord(visit, twin, random, demoStringing(instrument));
	const order = settingOrder(twin).map(({ note }) => note);
	const drift = driftOn(at, instrument, first ? 18 : instrument.every);
	for (const [i, note] of order.entries()) {
		const target = targetOf(instrument, note, curve);
		const found = target + drift + twin.scatter * random.normal() + 0.02 * (note - 69) * Math.sign(drift);
		const left = target + 0.35 * random.normal();
		addFoundAndLeft(record, { note, target, found, left, second: i * SECONDS_PER_NOTE });
	}
	const finishedAt = new Date(at.getTime() + (order.length * SECONDS_PER_NOTE + 600) * 1000);
	const note = CLOSING_NOTES[Math.floor(CLOSING_NOTES.length * random.uniform())];
	addArrival(record, instrument, twin, at);
	addAct(record, 'note', finishedAt, { text: note });
	addAct(record, 'finish', finishedAt, {});
	await saveRecord(record, { ...visit, stage: 'close', finishedAt, note }, {});
}

/** What was told on arrival: the room's climate, what the visit was for, and work that was found and is still to do. */
function addArrival(record: DemoRecord, instrument: DemoInstrument, { seed }: InstrumentTwin, at: Date): void {
	const { temperature, humidity } = loggedClimate(roomOf(instrument.kind, seed), at.getTime());
	const short = (value: number) => Math.round(10 * value) / 10;
	addAct(record, 'climate', at, { temperature: short(temperature), humidity: short(humidity), by: 'logger' });
	if (instrument.purpose) addAct(record, 'brief', at, { brief: { ...BLANK_BRIEF, purpose: instrument.purpose } });
	for (const { part, text } of instrument.promised ?? [])
		addAct(record, 'finding', at, { finding: uuid(), part, text, state: 'open' });
}

async function loadHalfDone(
	context: Context,
	instrument: DemoInstrument,
	instrumentId: string,
	twin: InstrumentTwin,
	curve: KeptCurve | undefined,
	random: Random
): Promise<void> {
	const visit = visitRow(context, instrument, instrumentId, context.today, curve);
	const record = demoRecord(visit, twin, random, demoStringing(instrument));
	const order = settingOrder(twin).map(({ note }) => note);
	const moved: SimulatedPinsRow['moved'] = {};
	for (const [i, note] of order.slice(0, HALF_DONE.notes).entries()) {
		const [found, ...others] = foundStrings(twin, note);
		const target = targetOf(instrument, note, curve);
		const left = target + 0.3 * random.normal();
		moved[note] = [left, ...others].map((pitch) => ({ pin: pitch, speaking: pitch }));
		addFoundAndLeft(record, { note, target, found, left, second: i * SECONDS_PER_NOTE });
	}
	const last = new Date(visit.startedAt.getTime() + HALF_DONE.notes * SECONDS_PER_NOTE * 1000);
	addAct(record, 'place', last, { group: order[HALF_DONE.notes] });
	await saveRecord(record, { ...visit, stage: 'set' }, moved);
}

/** Where a note is meant to be, in cents from equal at 440. */
function targetOf({ a4, temperament }: DemoInstrument, note: number, curve: KeptCurve | undefined): number {
	const stretch = curve ? curveAt(curve, note) : 0;
	return centsBetween(TWIN_A4, hz(a4)) + offsetsFromEqual(temperamentById(temperament))[noteClass(note)] + stretch;
}

/** The curve that a piano was first tuned by, from its strings as they were read then; early keyboards have none. */
async function loadCurve(
	{ workshopId, today }: Context,
	{ kind, lowest, highest, every, visits }: DemoInstrument,
	instrumentId: string,
	twin: InstrumentTwin
): Promise<KeptCurve | undefined> {
	if (!twin.standing) return undefined;
	const measured = Array.from({ length: highest - lowest + 1 }, (_, i): KnownString => {
		const b = twinInharmonicity(twin, lowest + i);
		return { note: lowest + i, b, error: 0.01 * b, partials: [], by: 'strike' };
	});
	return keepCurve(
		workshopId,
		{
			instrumentId,
			visitId: null,
			wish: BALANCED,
			lowest,
			deviations: drawCurve({ kind, lowest, highest, measured }, BALANCED),
			notesRead: measured.length
		},
		subMonths(today, every * visits)
	);
}

function visitRow(
	context: Context,
	instrument: Pick<DemoInstrument, 'temperament' | 'a4'>,
	instrumentId: string,
	startedAt: Date,
	curve: KeptCurve | undefined
): VisitRow {
	return {
		id: uuid(),
		workshopId: context.workshopId,
		instrumentId,
		temperamentId: context.temperamentIds.get(instrument.temperament)!,
		a4: instrument.a4,
		tolerance: DEFAULT_TOLERANCE,
		curveId: curve?.id ?? null,
		curveLead: null,
		stage: 'plan',
		seq: 1,
		note: '',
		deletedAt: null,
		deletedBy: null,
		startedAt,
		finishedAt: null,
		startedBy: context.userId
	};
}
