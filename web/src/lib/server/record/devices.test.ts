import { isReading, reportOf } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { v7 as uuid } from 'uuid';
import { beginning, firstPlan } from '$lib/visit/begin';
import { hashPassword } from '../auth/signIn';
import { database } from '../db/connection';
import { isDuplicate } from '../db/faults';
import { createAccount } from '../db/stores/accounts';
import { getInstrument, updateInstrument } from '../db/stores/instruments';
import { listLocations } from '../db/stores/locations';
import { eventsOf, pinsOf } from '../db/stores/record';
import { inTransaction } from '../db/transaction';
import { getVisit, openVisits, visitsShown } from '../db/stores/visits';
import {
	accept,
	actIn,
	asItem,
	beginVisit,
	details,
	finishVisit,
	hand,
	newWorkshop,
	reading,
	withDatabase,
	newInstrument
} from '../tests/parts';
import { instrumentBook, visitBundle, visitChanges } from '../visits/books';
import { takeIn } from './takeIn';

withDatabase();

type Me = Awaited<ReturnType<typeof newWorkshop>>;
const HOUR = 3_600_000;

/** A device of its own, whose clock is off by so much, with what it hands over of one visit. */
async function device(me: Me, instrumentId: string, off = 0) {
	const name = uuid();
	let counter = 0;
	const book = await instrumentBook(me.workshopId, (await getInstrument(me.workshopId, instrumentId))!);
	const stamp = (at = new Date()) => ({ id: uuid(), device: name, counter: ++counter, at: at.getTime() + off });
	const send = (items: readonly unknown[], clocks?: Record<string, number>, clockNow = off) =>
		takeIn(me, { now: new Date(Date.now() + clockNow), clocks, items: [...items] });
	return {
		name,
		send,
		begin(id: string, at?: Date) {
			return beginning(id, instrumentId, firstPlan(book, id), stamp(at)).item;
		},
		read(visitId: string, note: number, pitch: number, at?: Date) {
			const { counter: of, at: takenAt } = stamp(at);
			return asItem(visitId, reading({ note, pitch, counter: of, takenAt: new Date(takenAt) }), name);
		}
	};
}

describe('visits that are begun without the server', () => {
	it('are one for an instrument: the later goes on in the first, and nothing of it is lost', async () => {
		const me = await newWorkshop();
		const instrumentId = await newInstrument(me.workshopId, details('Two at once'));
		const [one, two] = [await device(me, instrumentId), await device(me, instrumentId)];
		const [first, second] = [uuid(), uuid()];
		const early = new Date(Date.now() - 2 * HOUR);
		await one.send([one.begin(first, new Date(Date.now() - HOUR)), one.read(first, 60, 261)]);
		const later = [two.begin(second, early), two.read(second, 62, 293, early), two.read(second, 60, 262)];
		expect((await two.send(later)).map(({ answer }) => answer)).toEqual(['stored', 'stored', 'stored']);
		// Sent again: stored once.
		expect((await two.send(later)).map(({ answer }) => answer)).toEqual(['there', 'there', 'there']);
		expect(await openVisits(me.workshopId)).toBe(1);
		const { visit } = await visitBundle(me.workshopId, second);
		expect(visit.id).toBe(first);
		expect(visit.events.filter(isReading)).toHaveLength(3);
		expect(Math.abs(visit.startedAt - early.getTime())).toBeLessThan(3000);
		expect((await visitChanges(me.workshopId, second, 0)).visit).toBe(first);
		expect(await getVisit(me.workshopId, second)).toMatchObject({ id: first });
		// Nobody chose what it begins with: nobody is asked.
		expect(reportOf(visit.events).choices).toEqual([]);
	});

	it('go on in one that was open then, also when it is finished by now; later ones are their own', async () => {
		const me = await newWorkshop();
		const instrumentId = await newInstrument(me.workshopId, details('Finished meanwhile'));
		const first = await beginVisit(me, instrumentId, new Date(Date.now() - 2 * HOUR));
		await finishVisit(me, first, 'Done.');
		const two = await device(me, instrumentId);
		const [during, after] = [uuid(), uuid()];
		await two.send([two.begin(during, new Date(Date.now() - HOUR)), two.read(during, 60, 261)]);
		expect((await visitBundle(me.workshopId, during)).visit.id).toBe(first);
		await two.send([two.begin(after)]);
		expect((await visitBundle(me.workshopId, after)).visit.id).toBe(after);
	});

	it('thirty at once on thirty instruments are thirty', async () => {
		const me = await newWorkshop();
		const ids: string[] = [];
		for (let i = 0; i < 30; i++) ids.push(await newInstrument(me.workshopId, details(`Of thirty ${i}`)));
		await Promise.all(ids.map((id) => beginVisit(me, id)));
		expect(await openVisits(me.workshopId)).toBe(30);
	});

	it('sixteen at once on one instrument are one', async () => {
		const me = await newWorkshop();
		const instrumentId = await newInstrument(me.workshopId, details('Sixteen'));
		const ids = Array.from({ length: 16 }, () => uuid());
		const devices = await Promise.all(ids.map(() => device(me, instrumentId)));
		const answers = await Promise.all(
			ids.map((id, i) => devices[i].send([devices[i].begin(id), devices[i].read(id, 60 + i, 440)]))
		);
		expect(new Set(answers.flat().map(({ answer }) => answer))).toEqual(new Set(['stored']));
		const open = await visitsShown(me.workshopId, 'open', 9);
		expect(open).toHaveLength(1);
		expect((await eventsOf(me.workshopId, open[0].id)).filter(isReading)).toHaveLength(16);
		for (const id of ids) expect((await visitBundle(me.workshopId, id)).visit.id).toBe(open[0].id);
	});
});

describe('clocks', () => {
	const YEAR = 365 * 24 * HOUR;
	const FAR = Date.UTC(10_000, 0) - Date.now();
	it.each([
		['a year behind', -YEAR],
		['a year ahead', YEAR],
		['in the year 10000', FAR],
		['in 1970', -Date.now()]
	])('one that is %s orders nothing and is nowhere stored', async (_, off) => {
		const me = await newWorkshop();
		const instrumentId = await newInstrument(me.workshopId, details('Clocks'));
		const visitId = await beginVisit(me, instrumentId, new Date(Date.now() - HOUR));
		const [right, wrong] = [await device(me, instrumentId), await device(me, instrumentId, off)];
		const minutesAgo = (minutes: number) => new Date(Date.now() - 60_000 * minutes);
		await right.send([right.read(visitId, 60, 260, minutesAgo(30)), right.read(visitId, 62, 290, minutesAgo(10))]);
		await wrong.send([wrong.read(visitId, 60, 261, minutesAgo(20)), wrong.read(visitId, 62, 291, minutesAgo(20))]);
		const report = reportOf(await eventsOf(me.workshopId, visitId));
		expect([60, 62].map((note) => report.sounders.get(`${note}/middle` as never)?.found?.pitch)).toEqual([260, 291]);
		for (const { at } of report.events.values()) expect(Math.abs(at - Date.now())).toBeLessThan(2 * HOUR);
		const rows = await database().models.readings.findAll({ where: { visitId } });
		for (const row of rows) expect(Number.isFinite(row.get().takenAt.getTime())).toBe(true);
	});

	it('one that was put right before anything was sent counts as it was measured then', async () => {
		const me = await newWorkshop();
		const instrumentId = await newInstrument(me.workshopId, details('Put right'));
		const visitId = await beginVisit(me, instrumentId, new Date(Date.now() - HOUR));
		const wrong = await device(me, instrumentId, -YEAR);
		const at = new Date(Date.now() - 60_000 * 10);
		await wrong.send([wrong.read(visitId, 60, 261, at)], { [wrong.name]: YEAR }, 0);
		const [event] = (await eventsOf(me.workshopId, visitId)).filter(isReading);
		expect(Math.abs(event.at - at.getTime())).toBeLessThan(2000);
		// Nobody measured it: not before its visit began, and in its device's order.
		const unknown = await device(me, instrumentId, -YEAR);
		await unknown.send([unknown.read(visitId, 64, 330), unknown.read(visitId, 64, 331)], undefined, 0);
		const report = reportOf(await eventsOf(me.workshopId, visitId));
		expect(report.sounders.get('64/middle' as never)?.found?.pitch).toBe(330);
		const { startedAt } = (await getVisit(me.workshopId, visitId))!;
		for (const { at: placed } of report.events.values()) expect(placed).toBeGreaterThanOrEqual(startedAt.getTime());
	});
});

describe('what is new in a visit', () => {
	it('is told once, with partials, curves and what the lever moved, and nothing when nothing is', async () => {
		const me = await newWorkshop();
		const instrumentId = await newInstrument(me.workshopId, details('Changes'));
		const visitId = await beginVisit(me, instrumentId);
		const begun = await visitChanges(me.workshopId, visitId, 0);
		expect(begun.told.map(({ event }) => 'do' in event && event.do)).toEqual(['plan']);
		expect(begun.curves).toHaveLength(1);
		const read = reading();
		await hand(me, visitId, [read, accept(read)]);
		const next = await visitChanges(me.workshopId, visitId, begun.seq);
		expect(next.told).toHaveLength(2);
		expect(next.told[0]).toMatchObject({ event: { id: read.id }, partials: read.partials });
		expect([next.curves, next.moved]).toEqual([[], undefined]);
		expect(await visitChanges(me.workshopId, visitId, next.seq)).toMatchObject({ told: [], curves: [], seq: next.seq });
	});

	it('of the simulated lever each note is where it was moved last, in whatever order that arrives', async () => {
		const me = await newWorkshop();
		const instrumentId = await newInstrument(me.workshopId, details('Lever'));
		const visitId = await beginVisit(me, instrumentId, new Date(Date.now() - HOUR));
		const pins = (group: number, pin: number, at: Date) => ({
			...{ format: 2, kind: 'pins', visitId, device: uuid(), id: uuid(), at },
			moved: { [group]: [{ pin, speaking: pin }] }
		});
		const [early, late] = [new Date(Date.now() - 60_000), new Date(Date.now() - 30_000)];
		const { seq } = await visitChanges(me.workshopId, visitId, 0);
		await takeIn(me, { now: new Date(), items: [pins(60, 2, late), pins(61, 3, early)] });
		await takeIn(me, { now: new Date(), items: [pins(60, 1, early), pins(62, 4, late)] });
		const moved = { 60: [{ pin: 2, speaking: 2 }], 61: [{ pin: 3, speaking: 3 }], 62: [{ pin: 4, speaking: 4 }] };
		expect(await pinsOf(visitId)).toEqual(moved);
		const told = await visitChanges(me.workshopId, visitId, seq);
		expect(told.moved).toEqual(moved);
		// A device that moved one of them since keeps its own.
		expect(Object.keys(told.movedAt ?? {})).toEqual(['60', '61', '62']);
	});

	it('a visit that two devices finish was finished the first time', async () => {
		const me = await newWorkshop();
		const visitId = await beginVisit(me, await newInstrument(me.workshopId, details('Finished twice')));
		await actIn(me, visitId, { do: 'finish' });
		const { finishedAt } = (await getVisit(me.workshopId, visitId))!;
		await new Promise((resolve) => setTimeout(resolve, 5));
		await actIn(me, visitId, { do: 'finish' });
		expect((await getVisit(me.workshopId, visitId))!.finishedAt).toEqual(finishedAt);
	});
});

describe('what is sent many times at once', () => {
	it('a first start makes one workshop', async () => {
		const passwordHash = await hashPassword('a long password');
		await database().models.workshops.update({ first: null }, { where: { first: 1 } });
		const forms = Array.from({ length: 12 }, () =>
			createAccount({
				workshop: 'First',
				name: 'One',
				email: `${uuid()}@example.test`,
				passwordHash,
				demo: false,
				first: true
			})
		);
		const made = await Promise.allSettled(forms);
		expect(made.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
		for (const each of made) if (each.status === 'rejected') expect(isDuplicate(each.reason)).toBe(true);
		expect(await database().models.workshops.count({ where: { name: 'First' } })).toBe(1);
	});

	it('instruments at one new location make one location', async () => {
		const { workshopId } = await newWorkshop();
		const names = Array.from({ length: 12 }, (_, i) => `Room ${i}`);
		await Promise.all(names.map((name) => newInstrument(workshopId, { ...details(name), location: 'The new wing' })));
		expect((await listLocations(workshopId)).map(({ name }) => name)).toEqual(['The new wing']);
	});

	it('two who write over the same version of an instrument: the second is told', async () => {
		const { workshopId } = await newWorkshop();
		const id = await newInstrument(workshopId, details('Renamed'));
		const write = (notes: string) =>
			inTransaction((transaction) =>
				updateInstrument(workshopId, id, 0, { ...details('Renamed'), notes }, transaction)
			);
		expect(await write('Mine.')).toBe(true);
		expect(await write('Yours.')).toBe(false);
		expect(await getInstrument(workshopId, id)).toMatchObject({ notes: 'Mine.', version: 1 });
	});
});
