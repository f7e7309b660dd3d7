import { subDays } from 'date-fns';
import { describe, expect, it } from 'vitest';
import { KEPT_DAYS, type Deletable } from '$lib/workshop/deletable';
import { database } from '../db/connection';
import { namesOf, sessionByToken, saveSession } from '../db/stores/accounts';
import { changesOf } from '../db/stores/changes';
import { deletedIn } from '../db/stores/deletions';
import { getInstrument, readStrings } from '../db/stores/instruments';
import { createUser } from '../db/stores/people';
import { readingsOf } from '../db/stores/readings';
import { shelfOf } from '../db/stores/shelf';
import { getVisit } from '../db/stores/visits';
import { inTransaction } from '../db/transaction';
import { signIn } from '../auth/signIn';
import {
	accept,
	beginVisit,
	details,
	finishVisit,
	hand,
	newInstrument,
	newWorkshop,
	reading,
	withDatabase
} from '../tests/parts';
import { countAgain, discardReading } from '../record/discard';
import { visitHistory } from '../visits/history';
import { bringBack, deleteInstrument, deleteUser, deleteVisit, erase, eraseOutlived } from './deletion';

withDatabase();

const WHOLE = { find: '', after: '', most: 100 };
const shelfNames = async (workshopId: string) => (await shelfOf(workshopId, WHOLE)).map(({ name }) => name);

/** A workshop with an instrument that was tuned once. */
async function tuned(name = 'Hall grand') {
	const me = await newWorkshop();
	const instrumentId = await newInstrument(me.workshopId, details(name));
	const visitId = await beginVisit(me, instrumentId);
	const read = reading({ inharmonicity: 5e-4, inharmonicityError: 1e-6, pitch: 440.2 });
	await hand(me, visitId, [read, accept(read)]);
	await finishVisit(me, visitId, 'Kept.');
	return { me, instrumentId, visitId, read };
}

/** Every row of every table that says it is a workshop's, or hangs on a visit of it. */
async function rowsOf(workshopId: string): Promise<Record<string, number>> {
	const { models } = database();
	const counts: Record<string, number> = {};
	for (const [table, model] of Object.entries(models) as [string, unknown][])
		if ('workshopId' in (model as typeof models.visits).getAttributes())
			counts[table] = await (model as typeof models.visits).count({ where: { workshopId }, paranoid: false });
	return counts;
}

describe('deleting and bringing back', () => {
	it('an instrument goes with its visits, its name is free, and it comes back as it was', async () => {
		const { me, instrumentId, visitId, read } = await tuned();
		const instrument = (await getInstrument(me.workshopId, instrumentId))!;
		const before = await visitHistory(me.workshopId, instrument);
		expect(await deleteInstrument(me, instrumentId)).toBeUndefined();
		expect(await shelfNames(me.workshopId)).toEqual([]);
		expect(await getInstrument(me.workshopId, instrumentId)).toBeUndefined();
		expect(await getVisit(me.workshopId, visitId)).toBeUndefined();
		// What a device still sends is refused with the reason, and stored when it is back.
		const late = reading({ pitch: 440.1 });
		expect(await hand(me, visitId, [late])).toMatchObject([
			{ answer: 'refused', why: expect.stringContaining('deleted') }
		]);
		const other = await newInstrument(me.workshopId, details('Hall grand'));
		expect(await bringBack(me, 'instrument', instrumentId)).toContain('another instrument of that name');
		await deleteInstrument(me, other);
		expect(await bringBack(me, 'instrument', instrumentId)).toBeUndefined();
		expect(await visitHistory(me.workshopId, instrument)).toEqual(before);
		expect(await hand(me, visitId, [late, read])).toMatchObject([{ answer: 'stored' }, { answer: 'there' }]);
		expect(await deletedIn(me.workshopId, 9)).toMatchObject([{ kind: 'instrument', id: other }]);
	});

	it('a visit goes from the pitch record and from what is known of the strings, and comes back', async () => {
		const { me, instrumentId, visitId } = await tuned();
		const instrument = (await getInstrument(me.workshopId, instrumentId))!;
		expect(await readStrings(me.workshopId, instrumentId)).toHaveLength(1);
		expect(await deleteVisit(me, visitId)).toBeUndefined();
		expect(await visitHistory(me.workshopId, instrument)).toEqual([]);
		expect(await readStrings(me.workshopId, instrumentId)).toEqual([]);
		expect((await shelfOf(me.workshopId, WHOLE))[0]).toMatchObject({ finishedAt: null, a4Left: null });
		// A new one may begin; the old one was finished, so both can stand.
		const next = await beginVisit(me, instrumentId, new Date());
		expect(next).not.toBe(visitId);
		expect(await bringBack(me, 'visit', visitId)).toBeUndefined();
		expect(await visitHistory(me.workshopId, instrument)).toHaveLength(2);
		// Of two open ones, only one.
		await deleteVisit(me, next);
		await beginVisit(me, instrumentId, new Date());
		expect(await bringBack(me, 'visit', next)).toContain('Another visit');
	});

	it('nothing of it is another workshop’s to touch', async () => {
		const { me, instrumentId, visitId } = await tuned();
		const other = await newWorkshop();
		expect(await deleteInstrument(other, instrumentId)).toBeTruthy();
		expect(await deleteVisit(other, visitId)).toBeTruthy();
		expect(await deleteUser(other, { id: me.userId, name: me.name })).toBeTruthy();
		await deleteInstrument(me, instrumentId);
		for (const [kind, id] of [
			['instrument', instrumentId],
			['visit', visitId]
		] as const) {
			expect(await bringBack(other, kind, id)).toBeTruthy();
			expect(await erase(other, kind, id)).toBeTruthy();
		}
		expect(await deletedIn(other.workshopId, 9)).toEqual([]);
		expect(await bringBack(me, 'instrument', instrumentId)).toBeUndefined();
	});

	it('an account is signed out and shut, the last owner stays, and an erased one leaves no name', async () => {
		const me = await newWorkshop();
		const { passwordHash } = (await database().models.users.findByPk(me.userId))!.get();
		const email = `${me.userId}@second.test`;
		const second = await inTransaction((transaction) =>
			createUser(
				{ workshopId: me.workshopId, role: 'technician', name: 'Second Hand', email, passwordHash },
				[],
				transaction
			)
		);
		await saveSession('f'.repeat(63) + '1', second.id, new Date(Date.now() + 60_000));
		expect(await deleteUser(me, { id: me.userId, name: me.name })).toContain('own account');
		expect(await deleteUser({ ...me, userId: second.id }, { id: me.userId, name: me.name })).toContain(
			'needs an owner'
		);
		expect(await deleteUser(me, second)).toBeUndefined();
		expect(await sessionByToken('f'.repeat(63) + '1')).toBeUndefined();
		expect(await signIn(email, 'a long password', { address: '10.9.0.1' })).toEqual({ kind: 'wrong' });
		expect(await bringBack(me, 'user', second.id)).toBeUndefined();
		expect(await signIn(email, 'a long password', { address: '10.9.0.2' })).toMatchObject({ kind: 'welcome' });
		await deleteUser(me, second);
		expect((await namesOf(me.workshopId)).get(second.id)).toBe('Second Hand');
		expect(await erase(me, 'user', second.id)).toBeUndefined();
		expect((await namesOf(me.workshopId)).has(second.id)).toBe(false);
		expect(JSON.stringify(await changesOf(me.workshopId, 99))).not.toContain('Second Hand');
	});

	it('a reading is discarded and counts again, for every device', async () => {
		const { me, instrumentId, visitId, read } = await tuned();
		const instrument = (await getInstrument(me.workshopId, instrumentId))!;
		const of = { visit: visitId, name: instrument.name };
		const list = () => readingsOf(me.workshopId, visitId, { most: 9, after: 0 });
		expect(await discardReading(me, of, read.id)).toBeUndefined();
		const [gone] = await list();
		expect(gone.discardedBy).toBeTruthy();
		expect((await visitHistory(me.workshopId, instrument))[0].a4Left).toBeUndefined();
		expect(await countAgain(me, of, gone.discardedBy!)).toBeUndefined();
		expect((await list())[0].discardedBy).toBeNull();
		expect((await visitHistory(me.workshopId, instrument))[0].a4Left).toBeCloseTo(440.2, 6);
		expect(await discardReading(me, of, instrumentId)).toContain('not there');
		expect(await readingsOf(me.workshopId, visitId, { most: 9, after: 0, note: 68 })).toEqual([]);
	});
});

describe('erasing', () => {
	it('leaves nothing behind of what is deleted for a month, and all of what is younger', async () => {
		const { me, instrumentId, visitId } = await tuned();
		const kept = await rowsOf(me.workshopId);
		expect(kept.readings).toBe(1);
		await deleteInstrument(me, instrumentId);
		await eraseOutlived(subDays(new Date(), -(KEPT_DAYS - 1)));
		expect(await rowsOf(me.workshopId)).toMatchObject({ readings: 1, visits: 1, instruments: 1 });
		await eraseOutlived(subDays(new Date(), -(KEPT_DAYS + 1)));
		const { users, changes, locations, ...rest } = await rowsOf(me.workshopId);
		expect({ users, locations }).toEqual({ users: 1, locations: 1 });
		expect(changes).toBeGreaterThan(0);
		expect(
			Object.values(rest).every((rows) => rows === 0),
			JSON.stringify(rest)
		).toBe(true);
		const hanging = await database().models.readingPartials.count({ where: { visitId } });
		expect(hanging).toBe(0);
		for (const kind of ['instrument', 'visit'] satisfies Deletable[])
			expect(await bringBack(me, kind, kind === 'visit' ? visitId : instrumentId)).toContain('not there');
	});
});
