import {
	equalHz,
	hz,
	centsBetween,
	isReading,
	reportOf,
	temperamentById,
	TEMPERAMENTS,
	USUAL_HABITS
} from '@fendrel/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { v7 as uuid } from 'uuid';
import { signIn } from './auth/signIn';
import { connect, database } from './db/connection';
import { isDatabaseAway, isDuplicate } from './db/faults';
import { migrate, migrator } from './db/migrate';
import { keepHabits, saveSession, sessionByToken } from './db/stores/accounts';
import { createInstrument, getInstrument, lastVisits, listInstruments, listPlaces } from './db/stores/instruments';
import { listCountedOctaves } from './db/stores/countedOctaves';
import { eventsOf } from './db/stores/record';
import { listTemperaments } from './db/stores/temperaments';
import { getVisit } from './db/stores/visits';
import { loadDemo } from './demo/load';
import { DEMO_ACCOUNT, DEMO_INSTRUMENTS } from './demo/scenario';
import { takeIn } from './record/takeIn';
import { visitHistory } from './visits/history';
import { FORMAT } from '$lib/handover/format';
import { BALANCED } from '$lib/tuning/curve';
import { stretchByCurve } from '$lib/tuning/stretch';
import { curvesOf } from './db/stores/curves';
import { stringTablesOf } from './db/stores/stringTables';
import { keepStringsOf, knownStrings } from './strings';
import { newCurve } from '$lib/visit/begin';
import { OpenVisit } from '$lib/visit/openVisit.svelte';
import { sheetData } from '$lib/visit/curve/sheetData';
import {
	accept,
	beginVisit,
	details,
	finishVisit,
	hand,
	newWorkshop,
	reading,
	replan,
	testDatabase
} from './tests/parts';
import { visitBundle, visitChanges, visitOr404 } from './visits/books';
import type { SignedIn } from './auth/session';

/** A visit as a device opens it. */
async function opened(workshopId: string, id: string): Promise<OpenVisit> {
	return new OpenVisit({ ...(await visitBundle(workshopId, id)), happened: [] }, false);
}

beforeAll(async () => {
	testDatabase();
	await migrator(database()).down({ to: 0 });
	await migrate(database());
}, 60_000);
afterAll(() => database().sequelize.close());

describe('tables', () => {
	it('go up, down and up again, and the library is there once', async () => {
		await migrator(database()).down({ to: 0 });
		await migrate(database());
		await migrate(database());
		const library = await listTemperaments(uuid());
		expect(library.map(({ slug }) => slug).sort()).toEqual(TEMPERAMENTS.map(({ id }) => id).sort());
		for (const { slug, own, name, tuning } of library) {
			expect(own).toBe(false);
			expect({ name, tuning }).toEqual({ name: temperamentById(slug).name, tuning: temperamentById(slug).tuning });
		}
	});
});

describe('curves', () => {
	it('are kept version by version, and the plan takes one or the other', async () => {
		const me = await newWorkshop();
		const instrumentId = await createInstrument(me.workshopId, details('Curved'));
		const visitId = await beginVisit(me, instrumentId);
		const open = () => opened(me.workshopId, visitId);
		// A piano's first visit starts with a balanced curve of its own.
		const first = (await open()).curve!;
		expect(first).toMatchObject({ wish: BALANCED, lowest: 21, notesRead: 0, visitId });
		expect(first.deviations).toHaveLength(88);
		const { instrument, measured } = await open();
		const second = newCurve({ ...instrument, measured }, { ...BALANCED, lead: 'twelfths', held: { 60: -1 } }, visitId);
		expect(second.deviations[60 - 21]).toBe(-1);
		expect((await replan(me, visitId, { stretch: stretchByCurve(second.id) }, second)).answer).toBe('stored');
		expect((await open()).curve).toMatchObject({ id: second.id, deviations: second.deviations, wish: second.wish });
		expect((await curvesOf(me.workshopId, instrumentId)).map(({ id }) => id)).toEqual([second.id, first.id]);
		expect((await replan(me, visitId, { stretch: stretchByCurve(first.id) })).answer).toBe('stored');
		expect((await open()).curve).toEqual(first);
	});

	it('stay with their instrument and their workshop', async () => {
		const [me, other] = [await newWorkshop(), await newWorkshop()];
		const visitOf = async (who: SignedIn, name: string) =>
			beginVisit(who, await createInstrument(who.workshopId, details(name)));
		const [mine, second, theirs] = [await visitOf(me, 'A'), await visitOf(me, 'B'), await visitOf(other, 'C')];
		const { curve, instrument, measured } = await opened(me.workshopId, second);
		expect(await replan(me, mine, { stretch: stretchByCurve(curve!.id) })).toMatchObject({
			answer: 'refused',
			why: expect.stringContaining('not one of this instrument')
		});
		await expect(visitBundle(me.workshopId, theirs)).rejects.toMatchObject({ status: 404 });
		const drawn = newCurve({ ...instrument, measured }, BALANCED, mine);
		const strange = { ...drawn, wish: { ...BALANCED, held: { 120: 1 } } };
		expect(await replan(me, mine, { stretch: stretchByCurve(strange.id) }, strange)).toMatchObject({
			answer: 'refused',
			why: expect.stringContaining('C9')
		});
		expect(await replan(me, mine, { temperamentId: uuid() })).toMatchObject({
			answer: 'refused',
			why: expect.stringContaining('no longer in the library')
		});
		await finishVisit(me, mine, '');
		// The next visit goes on with the curve of the last one.
		const before = (await getVisit(me.workshopId, mine))!;
		const next = await beginVisit(me, before.instrumentId, new Date());
		expect((await getVisit(me.workshopId, next))!.stretch).toEqual(before.stretch);
	});

	it('follow the table of strings where nothing was read, and the readings where something was', async () => {
		const me = await newWorkshop();
		const instrumentId = await createInstrument(me.workshopId, details('Strung'));
		const visitId = await beginVisit(me, instrumentId);
		const a4 = { note: 69, strings: 3, material: 'steel' as const, core: 1, length: 400, outer: null, strength: null };
		expect(await keepStringsOf(me.workshopId, instrumentId, [a4])).toMatchObject({ kind: 'kept' });
		const byTable = await knownStrings(me.workshopId, { id: instrumentId, usualA4: 440 });
		expect(byTable).toMatchObject([{ note: 69, by: 'table', partials: [] }]);
		await hand(me, visitId, [reading({ inharmonicity: 5e-4, inharmonicityError: 1e-6 })]);
		const [read] = await knownStrings(me.workshopId, { id: instrumentId, usualA4: 440 });
		expect(read).toMatchObject({ note: 69, by: 'strike', b: 5e-4 });
		// 440.012 against a first partial of 440 is 0.05 cents sharp of it.
		expect(read.partials[0].sharpness).toBeCloseTo(0.048, 2);
		for (const [line, why] of [
			[{ ...a4, length: 2000 }, 'another unit'],
			[{ ...a4, note: 120 }, 'not on this keyboard']
		] as const)
			expect(await keepStringsOf(me.workshopId, instrumentId, [line])).toMatchObject({
				kind: 'refused',
				why: expect.stringContaining(why)
			});
		await expect(keepStringsOf((await newWorkshop()).workshopId, instrumentId, [a4])).rejects.toMatchObject({
			status: 404
		});
		expect(await stringTablesOf(me.workshopId, instrumentId)).toHaveLength(1);
	});

	it('say how the instrument stands: as found in this visit, or as the last one left it', async () => {
		const me = await newWorkshop();
		const instrumentId = await createInstrument(me.workshopId, details('Standing'));
		const first = await beginVisit(me, instrumentId);
		const at = (note: number, cents: number) => equalHz(note, hz(440)) * 2 ** (cents / 1200);
		const notes = Array.from({ length: 20 }, (_, i) => 40 + i);
		const left = notes.map((note) => reading({ note, pitch: at(note, 1.5) }));
		await hand(me, first, [
			...notes.map((note) =>
				reading({ note, pitch: at(note, -9), takenAt: new Date(Date.UTC(2026, 8, 1)), counter: 0 })
			),
			...left.flatMap((each) => [each, accept(each)])
		]);
		await finishVisit(me, first, '');
		const second = await beginVisit(me, instrumentId, new Date());
		const asLeft = sheetData(await opened(me.workshopId, second)).standing;
		expect(asLeft.by).toBe('left');
		expect([...asLeft.notes].sort((a, b) => a.note - b.note)).toEqual(notes.map((note) => ({ note, cents: 1.5 })));
		await hand(
			me,
			second,
			notes.slice(0, 12).map((note) => reading({ note, pitch: at(note, -4) }))
		);
		const found = sheetData(await opened(me.workshopId, second)).standing;
		expect([found.by, found.notes.length, ...new Set(found.notes.map(({ cents }) => cents))]).toEqual([
			'found',
			12,
			-4
		]);
	});
});

describe('what Sound finds', () => {
	it('comes back as it was sent, and tells the plan what the strings are', async () => {
		const me = await newWorkshop();
		const instrumentId = await createInstrument(me.workshopId, details('Surveyed'));
		const visitId = await beginVisit(me, instrumentId);
		const found = reading({ note: 60, source: 'file', falseBeat: 1.25, falseBeatDepth: 0.4, inharmonicity: 3e-4 });
		const open = reading({ note: 61, members: ['middle', 'left', 'right'], spread: 2.5, spreadError: 0.1 });
		await hand(me, visitId, [found, accept(found, { purpose: 'found' }), open]);
		const { visit, about } = await visitBundle(me.workshopId, visitId);
		const { events } = visit;
		const { measured } = about;
		const { partials: _, takenAt: __, ...kept } = found;
		expect(events.find(({ id }) => id === found.id)).toMatchObject(kept);
		expect(events.find(({ id }) => id === open.id)).toMatchObject({ spread: 2.5, spreadError: 0.1, falseBeat: null });
		// Several strings together tell no B.
		expect(measured.map(({ note }) => note)).toEqual([60]);
	});
});

describe('how a workshop listens', () => {
	it('is its own, and as usual until it says otherwise', async () => {
		const [me, other] = [await newWorkshop(), await newWorkshop()];
		const visitOf = async ({ workshopId, ...who }: SignedIn) =>
			beginVisit({ workshopId, ...who }, await createInstrument(workshopId, details('Heard')));
		const [mine, theirs] = [await visitOf(me), await visitOf(other)];
		const own = USUAL_HABITS.map((register) => ({ ...register, partial: 1 }));
		await keepHabits(me.workshopId, own);
		expect((await visitBundle(me.workshopId, mine)).about.habits).toEqual(own);
		expect((await visitBundle(other.workshopId, theirs)).about.habits).toEqual(USUAL_HABITS);
		await keepHabits(me.workshopId, null);
		expect((await visitBundle(me.workshopId, mine)).about.habits).toEqual(USUAL_HABITS);
	});
});

describe('workshops', () => {
	it('do not see each other', async () => {
		const [mine, yours] = [await newWorkshop(), await newWorkshop()];
		const instrumentId = await createInstrument(mine.workshopId, details('Private'));
		const visitId = await beginVisit(mine, instrumentId);
		await hand(mine, visitId, [reading()]);
		expect(await getInstrument(yours.workshopId, instrumentId)).toBeUndefined();
		expect(await getVisit(yours.workshopId, visitId)).toBeUndefined();
		expect(await eventsOf(yours.workshopId, visitId)).toEqual([]);
		const [answer] = await hand(yours, visitId, [reading()]);
		expect(answer).toMatchObject({ answer: 'refused', why: expect.stringContaining('no such visit') });
		expect((await eventsOf(mine.workshopId, visitId)).filter(isReading)).toHaveLength(1);
		expect(await listInstruments(yours.workshopId)).toEqual([]);
		const stolen = (await visitBundle(mine.workshopId, visitId)).visit;
		const begin = { id: uuid(), counter: 1, startedAt: new Date(), instrumentId, plan: reportOf(stolen.events).plan! };
		const item = { format: FORMAT, visitId: uuid(), device: uuid(), kind: 'begin', begin };
		expect(await takeIn(yours, { now: new Date(), items: [item] })).toMatchObject([
			{ answer: 'refused', why: expect.stringContaining('no such instrument') }
		]);
		await expect(visitOr404(yours.workshopId, visitId)).rejects.toMatchObject({ status: 404 });
		await expect(visitBundle(yours.workshopId, visitId)).rejects.toMatchObject({ status: 404 });
		await expect(visitChanges(yours.workshopId, visitId, 0)).rejects.toMatchObject({ status: 404 });
		await expect(visitOr404(mine.workshopId, "x' OR '1'='1")).rejects.toMatchObject({ status: 404 });
		expect((await getVisit(mine.workshopId, visitId))?.a4).toBe(440);
	});

	it('name an instrument once, whatever the case, and leave nothing half saved', async () => {
		const me = await newWorkshop();
		await createInstrument(me.workshopId, details('Hall grand'));
		const again = createInstrument(me.workshopId, { ...details('HALL grand'), place: 'Elsewhere' });
		await expect(again.catch((error) => isDuplicate(error))).resolves.toBe(true);
		expect((await listPlaces(me.workshopId)).map(({ name }) => name)).toEqual(['The hall']);
	});
});

describe('visits', () => {
	it('go on where they were instead of starting twice, and take over what was usual', async () => {
		const me = await newWorkshop();
		const instrumentId = await createInstrument(me.workshopId, details('Twice'));
		const first = await beginVisit(me, instrumentId);
		expect(await beginVisit(me, instrumentId)).toBe(first);
		const vallotti = (await listTemperaments(me.workshopId)).find(({ slug }) => slug === 'vallotti')!;
		expect((await replan(me, first, { a4: 415, temperamentId: vallotti.id })).answer).toBe('stored');
		await finishVisit(me, first, 'Fine.');
		const second = await beginVisit(me, instrumentId, new Date());
		expect(second).not.toBe(first);
		expect(await getVisit(me.workshopId, second)).toMatchObject({ a4: 415, temperamentId: vallotti.id });
		expect(await getVisit(me.workshopId, first)).toMatchObject({ note: 'Fine.', stage: 'close' });
		// What was planned, noted and finished is in the record, one after the other.
		const acts = (await eventsOf(me.workshopId, first)).flatMap((event) => (isReading(event) ? [] : event));
		expect(acts.map((act) => act.do).sort()).toEqual(['finish', 'note', 'plan', 'plan']);
		const { plan } = reportOf(acts);
		expect(plan).toMatchObject({ a4: 415, temperamentId: vallotti.id });
	});
});

describe('sign-in', () => {
	it('lets in with the right password, in any case of the address, and never stores a token', async () => {
		const me = await newWorkshop();
		expect(await signIn(me.email.toUpperCase(), 'a long password', '10.0.0.1')).toEqual({
			kind: 'welcome',
			userId: me.userId
		});
		await saveSession('d'.repeat(64), me.userId, new Date(Date.now() + 1000));
		expect((await sessionByToken('d'.repeat(64)))?.workshop.id).toBe(me.workshopId);
		await saveSession('e'.repeat(64), me.userId, new Date(Date.now() - 1000));
		expect(await sessionByToken('e'.repeat(64))).toBeUndefined();
	});

	it('closes after five wrong passwords, for that account and address only', async () => {
		const { email } = await newWorkshop();
		for (let i = 0; i < 5; i++) expect(await signIn(email, 'wrong', '10.0.0.2')).toEqual({ kind: 'wrong' });
		expect(await signIn(email, 'a long password', '10.0.0.2')).toMatchObject({ kind: 'too many' });
		expect(await signIn(email, 'a long password', '10.0.0.3')).toMatchObject({ kind: 'welcome' });
		expect(await signIn('nobody@example.test', 'wrong', '10.0.0.4')).toEqual({ kind: 'wrong' });
	});

	it('looks at five of a hundred passwords that come at once', async () => {
		const { email } = await newWorkshop();
		const all = await Promise.all(Array.from({ length: 30 }, () => signIn(email, 'wrong', '10.0.0.6')));
		expect(all.filter(({ kind }) => kind === 'wrong')).toHaveLength(5);
		expect(all.filter(({ kind }) => kind === 'too many')).toHaveLength(25);
		// The right ones in between forgive what was counted.
		for (let i = 0; i < 12; i++)
			expect(await signIn(email, i % 3 ? 'wrong' : 'a long password', '10.0.0.7')).not.toMatchObject({
				kind: 'too many'
			});
	});
});

describe('the demo scenario', () => {
	it('is the same on the same day, consistent, and half done in one place', async () => {
		await loadDemo(new Date('2026-07-14T12:00:00Z'));
		const signed = await signIn(DEMO_ACCOUNT.email, DEMO_ACCOUNT.password, '10.0.0.5');
		expect(signed.kind).toBe('welcome');
		const { workshopId } = (await database().models.users.findOne({ where: { email: DEMO_ACCOUNT.email } }))!.get();
		const instruments = await listInstruments(workshopId);
		expect(instruments).toHaveLength(DEMO_INSTRUMENTS.length);
		expect(DEMO_INSTRUMENTS.length).toBeGreaterThan(27);
		expect(await lastVisits(workshopId)).toHaveLength(instruments.length);
		const open = await database().models.visits.count({ where: { workshopId, finishedAt: null } });
		expect(open).toBe(1);
		expect((await listTemperaments(workshopId)).filter(({ own }) => own).map(({ name }) => name)).toEqual([
			'Tide mill, agreed'
		]);
		const [octave] = await listCountedOctaves(workshopId);
		expect(octave.counts.length).toBeGreaterThan(40);
		expect(octave.verdict).toMatch(/notes to move: (raise|lower) /);
		const grand = instruments.find(({ name }) => name === 'Chapel concert grand')!;
		const history = await visitHistory(workshopId, grand);
		expect(history).toHaveLength(12);
		for (const { found, left, notesSet, a4Left } of history) {
			expect(notesSet).toBe(88);
			expect(Math.abs(left!)).toBeLessThan(0.3);
			expect(Math.abs(found!)).toBeLessThan(15);
			expect(Math.abs(centsBetween(hz(440), hz(a4Left!)))).toBeLessThan(1.5);
		}
		// Seasons: the grand is found sharper in summer than in winter.
		const mean = (months: number[]) => {
			const of = history.slice(0, -1).filter(({ startedAt }) => months.includes(startedAt.getUTCMonth()));
			return of.reduce((sum, { found }) => sum + found!, 0) / of.length;
		};
		expect(mean([5, 6, 7, 8])).toBeGreaterThan(mean([11, 0, 1, 2]));
	}, 60_000);
});

describe('a database that is away', () => {
	it('is told apart from one that refuses', async () => {
		const nobody = connect('mariadb://x:y@127.0.0.1:1/none');
		const error = await nobody.sequelize.authenticate().catch((each) => each);
		expect(isDatabaseAway(error)).toBe(true);
		expect(isDatabaseAway(new Error('something else'))).toBe(false);
		await nobody.sequelize.close();
	});
});
