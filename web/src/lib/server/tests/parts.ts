import { defaultTwin, reportOf, sounderId, type SounderId } from '@fendrel/core';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll } from 'vitest';
import { FORMAT, type Answer } from '$lib/record/format';
import type { SentAct, SentReading } from '$lib/record/record';
import type { Made } from '$lib/handover/outbox';
import type { KeptCurve } from '$lib/tuning/curve';
import { beginning, firstPlan } from '$lib/visit/begin';
import { VisitRecord, type NewAct, type PlanChanges } from '$lib/visit/visitRecord.svelte';
import { hashPassword } from '../auth/signIn';
import { USUAL_WRITING } from '$lib/ui/writing';
import type { SignedIn, Who } from '../auth/session';
import { connect, database, useDatabase, type Database } from '../db/connection';
import { migrate } from '../db/migrate';
import { createAccount } from '../db/stores/accounts';
import { createInstrument, getInstrument, type InstrumentDetails } from '../db/stores/instruments';
import { inTransaction } from '../db/transaction';
import { takeIn } from '../record/takeIn';
import { instrumentBook, visitBundle } from '../visits/books';
import { testAddress } from './address';

/* What tests of the server begin with. */

function testDatabase(): Database {
	const database = connect(testAddress());
	useDatabase(database);
	return database;
}

/** Opens the tests' database for a file of tests, brings its tables up to date, and closes it. @param before done first */
export function withDatabase(before = async () => {}): void {
	beforeAll(async () => {
		const database = testDatabase();
		await before();
		await migrate(database);
	}, 60_000);
	afterAll(() => database().sequelize.close());
}

const password = hashPassword('a long password');

/** A workshop of its own, with an owner whose password is "a long password". */
export async function newWorkshop(): Promise<SignedIn & { readonly email: string }> {
	const name = `Owner ${uuid()}`;
	const email = `${uuid()}@example.test`;
	const account = { workshop: name, name, email, passwordHash: await password, demo: false };
	const { id: userId, workshopId } = await createAccount(account);
	return {
		userId,
		name,
		workshopId,
		workshop: name,
		demo: false,
		writing: USUAL_WRITING,
		role: 'owner',
		places: undefined,
		email
	};
}

/** Adds an instrument to a workshop. @returns its id */
export function newInstrument(workshopId: string, said: InstrumentDetails): Promise<string> {
	return inTransaction((transaction) => createInstrument(workshopId, said, transaction));
}

export const details = (name: string) => ({
	name,
	kind: 'upright' as const,
	location: 'The hall',
	town: 'Saltmarsh',
	place: '',
	maker: '',
	madeIn: null,
	lowest: 21,
	highest: 108,
	usualA4: 440,
	notes: '',
	reeds: null,
	neck: null,
	twin: defaultTwin('upright', 21, 108, 1, 440)
});

let counter = 0;
export const DEVICE = uuid();

export interface MadeReading extends Partial<SentReading> {
	readonly note?: number;
	readonly members?: readonly string[];
}

/** A reading as a device sends it; each is a minute later than the one before. */
export function reading({ note = 69, members = ['middle'], ...extra }: MadeReading = {}): SentReading {
	counter++;
	return {
		way: 'struck',
		id: uuid(),
		counter,
		takenAt: new Date(Date.UTC(2026, 9, 1, 9, counter)),
		sounders: members.map((member) => sounderId(note, member)),
		source: 'microphone',
		pitch: 440,
		pitchError: 0.02,
		target: 440.5,
		deviation: -1.97,
		fundamental: 439.9,
		inharmonicity: 4.1234567e-4,
		inharmonicityError: 1e-6,
		moment: 0.6,
		listened: null,
		falseBeat: null,
		falseBeatDepth: null,
		spread: null,
		spreadError: null,
		partials: [{ partial: 1, frequency: 440.0123456789, error: 0.001, level: -20 }],
		...extra
	};
}

type Accept = Extract<SentAct, { do: 'accept' }>;

/** Takes what was read as set, or by ear. */
export function accept(on: SentReading | readonly SounderId[], extra: Partial<Accept> = {}): Accept {
	counter++;
	const read = 'way' in on ? on : undefined;
	return {
		id: uuid(),
		counter,
		doneAt: read?.takenAt ?? new Date(Date.UTC(2026, 9, 1, 9, counter)),
		do: 'accept',
		sounders: [...(read?.sounders ?? (on as readonly SounderId[]))],
		purpose: 'set',
		pass: 1,
		reading: read?.id ?? null,
		setTo: 440.5,
		final: 440.5,
		plan: null,
		...extra
	};
}

export const asItem = (visitId: string, made: SentReading | SentAct, device = DEVICE) => ({
	format: FORMAT,
	visitId,
	device,
	...('way' in made ? { kind: 'reading', reading: made } : { kind: 'act', act: made })
});

/** Hands over readings and acts as a device does. */
export function hand(
	who: Who,
	visitId: string,
	made: readonly (SentReading | SentAct)[],
	now = new Date()
): Promise<Answer[]> {
	return takeIn(who, { now, items: made.map((each) => asItem(visitId, each)) });
}

const stamp = (at: Date) => ({ id: uuid(), device: DEVICE, counter: ++counter, at: at.getTime() });
/** Before all readings that are made here. */
const BEGUN = new Date(Date.UTC(2026, 9, 1, 8));

/** Begins a visit as a device does, or goes on with the one that is open. @returns its id */
export async function beginVisit(who: Who, instrumentId: string, at = BEGUN): Promise<string> {
	const book = await instrumentBook(who.workshopId, (await getInstrument(who.workshopId, instrumentId))!);
	if (book.open) return book.open;
	const id = uuid();
	const { item } = beginning(id, instrumentId, firstPlan(book, id), stamp(at));
	const [answer] = await takeIn(who, { now: new Date(), items: [item] });
	if (answer.answer === 'refused') throw new Error(answer.why);
	return id;
}

/** A visit's acts as its device makes them: what is planned anew, a note, the end. */
export async function actIn(who: Who, visitId: string, doing: NewAct, curve?: KeptCurve): Promise<Answer> {
	const { at, device: _, ...base } = stamp(new Date());
	const act = { ...base, doneAt: new Date(at), ...doing, ...(curve && { curve }) } as SentAct;
	return (await hand(who, visitId, [act]))[0];
}

/** Plans a visit anew, over everything that was planned before. */
export async function replan(who: Who, visitId: string, changes: PlanChanges, curve?: KeptCurve): Promise<Answer> {
	const made: Made[] = [];
	const { visit } = await visitBundle(who.workshopId, visitId);
	const handOver = {
		stamp: () => stamp(new Date()),
		add: async (_: string, all: readonly Made[]) => void made.push(...all)
	};
	new VisitRecord(visitId, visit.events, { ...handOver, placed: (_, at) => at }).replan(changes, curve);
	return (await takeIn(who, { now: new Date(), items: made.map(({ item }) => item) }))[0];
}

export async function finishVisit(who: Who, visitId: string, note = ''): Promise<void> {
	const { visit } = await visitBundle(who.workshopId, visitId);
	if (note) await actIn(who, visitId, { do: 'note', text: note, over: reportOf(visit.events).heads.note });
	await actIn(who, visitId, { do: 'finish' });
}
