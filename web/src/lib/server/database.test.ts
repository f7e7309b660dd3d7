import { defaultTwin, hz, centsBetween, temperamentById, TEMPERAMENTS } from '@fendrel/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { v7 as uuid } from 'uuid';
import { hashPassword, signIn } from './auth/signIn';
import { connect, database, useDatabase } from './db/connection';
import { isDatabaseAway, isDuplicate } from './db/faults';
import { migrate, migrator } from './db/migrate';
import { createAccount, saveSession, sessionByToken } from './db/stores/accounts';
import {
	createInstrument,
	getInstrument,
	lastVisits,
	listInstruments,
	listPlaces,
	readStrings
} from './db/stores/instruments';
import { listCountedOctaves } from './db/stores/countedOctaves';
import { figuresOf, readingsOf, saveReadings, type NewReading } from './db/stores/readings';
import { listTemperaments } from './db/stores/temperaments';
import { getVisit, updateVisit } from './db/stores/visits';
import { loadDemo } from './demo/load';
import { DEMO_ACCOUNT, DEMO_INSTRUMENTS } from './demo/scenario';
import { visitHistory } from './visits/history';
import { changeVisit, loadVisit, visitOr404 } from './visits/open';
import { startVisit } from './visits/start';
import type { SignedIn } from './auth/session';

const URL = process.env.FENDREL_TEST_DATABASE_URL;
if (!URL) throw new Error('FENDREL_TEST_DATABASE_URL is not set: run these through npm test');

beforeAll(async () => {
	useDatabase(connect(URL));
	await migrator(database()).down({ to: 0 });
	await migrate(database());
}, 60_000);
afterAll(() => database().sequelize.close());

let counter = 0;
async function newWorkshop(): Promise<SignedIn> {
	const n = ++counter;
	const user = await createAccount({
		workshop: `Workshop ${n}`,
		name: `Owner ${n}`,
		email: `Owner${n}@example.test`,
		passwordHash: await hashPassword('a long password'),
		demo: false
	});
	return { userId: user.id, name: user.name, workshopId: user.workshopId, workshop: `Workshop ${n}`, demo: false };
}
const details = (name: string) => ({
	name,
	kind: 'upright' as const,
	place: 'The hall',
	town: 'Saltmarsh',
	maker: '',
	madeIn: null,
	lowest: 21,
	highest: 108,
	usualA4: 440,
	notes: '',
	twin: defaultTwin('upright', 21, 108, 1, 440)
});
function reading(note: number, extra: Partial<NewReading> = {}): NewReading {
	return {
		id: uuid(),
		note,
		string: 'middle',
		takenAt: new Date(Date.UTC(2026, 10, 1, 9, note)),
		source: 'microphone',
		accepted: true,
		pitch: 440,
		pitchError: 0.02,
		target: 440.5,
		deviation: -1.97,
		fundamental: 439.9,
		inharmonicity: 4.1234567e-4,
		inharmonicityError: 1e-6,
		moment: 0.6,
		partials: [{ partial: 1, frequency: 440.0123456789, error: 0.001, level: -20 }],
		...extra
	};
}

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

describe('readings', () => {
	it('come back exactly, and sending twice stores once', async () => {
		const me = await newWorkshop();
		const visitId = (await startVisit(me, await createInstrument(me.workshopId, details('One'))))!;
		const first = reading(60);
		await saveReadings(me.workshopId, visitId, [first, reading(61)]);
		await saveReadings(me.workshopId, visitId, [first, { ...first, deviation: 99 }, reading(62)]);
		const stored = await readingsOf(me.workshopId, visitId);
		expect(stored.map(({ note }) => note)).toEqual([60, 61, 62]);
		expect(stored[0]).toMatchObject(first);
		expect(stored[0].partials).toEqual(first.partials);
		const figures = await figuresOf(me.workshopId, [visitId]);
		expect(figures[0]).not.toHaveProperty('partials');
	});

	it('give the instrument its inharmonicity: newest, single strings, sure ones', async () => {
		const me = await newWorkshop();
		const instrumentId = await createInstrument(me.workshopId, details('Stiff'));
		const visitId = (await startVisit(me, instrumentId))!;
		await saveReadings(me.workshopId, visitId, [
			reading(60, { inharmonicity: 1e-4, takenAt: new Date(1) }),
			reading(60, { inharmonicity: 2e-4, takenAt: new Date(2) }),
			reading(60, { inharmonicity: 9e-4, takenAt: new Date(3), string: 'open' }),
			reading(61, { inharmonicity: 3e-4, inharmonicityError: 2e-4 })
		]);
		expect(
			(await readStrings(me.workshopId, instrumentId)).map(({ note, inharmonicity }) => [note, inharmonicity])
		).toEqual([[60, 2e-4]]);
	});
});

describe('workshops', () => {
	it('do not see each other', async () => {
		const [mine, yours] = [await newWorkshop(), await newWorkshop()];
		const instrumentId = await createInstrument(mine.workshopId, details('Private'));
		const visitId = (await startVisit(mine, instrumentId))!;
		await saveReadings(mine.workshopId, visitId, [reading(60)]);
		expect(await getInstrument(yours.workshopId, instrumentId)).toBeUndefined();
		expect(await getVisit(yours.workshopId, visitId)).toBeUndefined();
		expect(await readingsOf(yours.workshopId, visitId)).toEqual([]);
		expect(await listInstruments(yours.workshopId)).toEqual([]);
		expect(await startVisit(yours, instrumentId)).toBeUndefined();
		await expect(visitOr404(yours.workshopId, visitId)).rejects.toMatchObject({ status: 404 });
		await expect(loadVisit(yours.workshopId, visitId)).rejects.toMatchObject({ status: 404 });
		await expect(changeVisit(yours.workshopId, visitId, { a4: 415 })).rejects.toMatchObject({ status: 404 });
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
		const first = (await startVisit(me, instrumentId))!;
		expect(await startVisit(me, instrumentId)).toBe(first);
		const vallotti = (await listTemperaments(me.workshopId)).find(({ slug }) => slug === 'vallotti')!;
		expect(await changeVisit(me.workshopId, first, { a4: 415, temperamentId: vallotti.id })).toEqual({ kind: 'saved' });
		await updateVisit(me.workshopId, first, { finishedAt: new Date(), moved: { 60: [{ pin: 1, speaking: 0.5 }] } });
		const second = (await startVisit(me, instrumentId))!;
		expect(second).not.toBe(first);
		expect(await getVisit(me.workshopId, second)).toMatchObject({ a4: 415, temperamentId: vallotti.id, moved: {} });
		expect((await getVisit(me.workshopId, first))?.moved).toEqual({ 60: [{ pin: 1, speaking: 0.5 }] });
	});

	it('no longer change once finished', async () => {
		const me = await newWorkshop();
		const visitId = (await startVisit(me, await createInstrument(me.workshopId, details('Done'))))!;
		await updateVisit(me.workshopId, visitId, { finishedAt: new Date() });
		expect(await changeVisit(me.workshopId, visitId, { a4: 415 })).toMatchObject({ kind: 'refused' });
	});
});

describe('sign-in', () => {
	it('lets in with the right password, in any case of the address, and never stores a token', async () => {
		const me = await newWorkshop();
		expect(await signIn(`OWNER${counter}@example.test`, 'a long password', '10.0.0.1')).toEqual({
			kind: 'welcome',
			userId: me.userId
		});
		await saveSession('d'.repeat(64), me.userId, new Date(Date.now() + 1000));
		expect((await sessionByToken('d'.repeat(64)))?.workshop.id).toBe(me.workshopId);
		await saveSession('e'.repeat(64), me.userId, new Date(Date.now() - 1000));
		expect(await sessionByToken('e'.repeat(64))).toBeUndefined();
	});

	it('closes after five wrong passwords, for that account and address only', async () => {
		await newWorkshop();
		const email = `owner${counter}@example.test`;
		for (let i = 0; i < 5; i++) expect(await signIn(email, 'wrong', '10.0.0.2')).toEqual({ kind: 'wrong' });
		expect(await signIn(email, 'a long password', '10.0.0.2')).toMatchObject({ kind: 'too many' });
		expect(await signIn(email, 'a long password', '10.0.0.3')).toMatchObject({ kind: 'welcome' });
		expect(await signIn('nobody@example.test', 'wrong', '10.0.0.4')).toEqual({ kind: 'wrong' });
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
