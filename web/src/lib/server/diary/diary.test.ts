import ICAL from 'ical.js';
import { v7 as uuid } from 'uuid';
import { describe, expect, it } from 'vitest';
import type { BookingDraft } from '$lib/round/diary/booking';
import { bookingsBetween } from '../db/stores/bookings';
import { listContacts } from '../db/stores/contacts';
import { getInstrument } from '../db/stores/instruments';
import { knownWays, listPlaces } from '../db/stores/locations';
import { keepContact, keepPlace, keepWay, mergeContacts, mergePlace, removePlace } from '../places/keep';
import { actIn, beginVisit, details, newInstrument, newWorkshop, withDatabase } from '../tests/parts';
import { book, cancelBooking, changeBooking } from './bookings';
import { calendarAt, calendarAddresses, closeCalendar, openCalendar } from './calendar';

withDatabase();

const DAY = { from: new Date('2026-07-01T00:00:00Z'), to: new Date('2026-08-30T00:00:00Z') };
const draft = (userId: string, at: string, minutes = 60, changes: Partial<BookingDraft> = {}) => ({
	...{ id: uuid(), userId, locationId: null, instruments: [], startsAt: `2026-07-${at}:00.000Z`, minutes },
	...{ purpose: '', promised: '', ...changes }
});
const blank = { address: '', entry: '', latitude: null, longitude: null, fromHome: null, version: 0 };
const contact = { name: 'Ida', role: '', phone: '', email: '', note: '', locationId: null, version: 0 };
const refused = (status: number) => expect.objectContaining({ status });

describe('the diary', () => {
	it('never books anybody twice, whatever is sent at once', async () => {
		const me = await newWorkshop();
		const all = Array.from({ length: 6 }, (_, i) => draft(me.userId, `14T09:${i}0`));
		const sent = await Promise.allSettled(all.map((each) => book(me, [each])));
		const kept = await bookingsBetween(me.workshopId, DAY.from, DAY.to);
		expect(sent.filter(({ status }) => status === 'fulfilled')).toHaveLength(kept.length);
		for (const [i, a] of kept.entries())
			for (const b of kept.slice(i + 1))
				expect(Date.parse(a.startsAt) + 60 * 60_000).toBeLessThanOrEqual(Date.parse(b.startsAt));
	});

	it('keeps a series whole or not at all, and once where it is sent twice', async () => {
		const me = await newWorkshop();
		const series = ['06T10:00', '13T10:00', '20T10:00'].map((at) => draft(me.userId, at));
		await book(me, series);
		await book(me, series);
		expect(await bookingsBetween(me.workshopId, DAY.from, DAY.to)).toHaveLength(3);
		const clashing = ['08T10:00', '13T10:30'].map((at) => draft(me.userId, at));
		await expect(book(me, clashing)).rejects.toEqual(refused(409));
		const kept = await bookingsBetween(me.workshopId, DAY.from, DAY.to);
		expect(kept).toHaveLength(3);
		expect(new Set(kept.map(({ seriesId }) => seriesId)).size).toBe(1);
		// Moved by itself; then it and those after it are cancelled.
		const { id: _, seriesId: __, ...second } = kept[1];
		await changeBooking(me, kept[1].id, { ...second, startsAt: '2026-07-14T12:00:00.000Z' });
		await expect(changeBooking(me, kept[1].id, second)).rejects.toEqual(refused(409));
		await cancelBooking(me, kept[1].id, true);
		expect((await bookingsBetween(me.workshopId, DAY.from, DAY.to)).map(({ id }) => id)).toEqual([kept[0].id]);
	});

	it('takes in what was booked in a cellar, once, and says what stands in its way', async () => {
		const me = await newWorkshop();
		const instrument = await newInstrument(me.workshopId, details('Cellar upright'));
		const visit = await beginVisit(me, instrument);
		const next = { do: 'book', minutes: 90, promised: 'the pedal' } as const;
		const said = { ...next, booking: uuid(), startsAt: '2026-07-20T09:00:00.000Z' };
		expect(await actIn(me, visit, said)).toMatchObject({ answer: 'stored' });
		// Another act of the same booking, as a device makes that was killed in between.
		expect(await actIn(me, visit, said)).toMatchObject({ answer: 'stored' });
		const there = await bookingsBetween(me.workshopId, DAY.from, DAY.to);
		expect(there).toMatchObject([
			{ id: said.booking, userId: me.userId, instruments: [instrument], minutes: 90, promised: 'the pedal' }
		]);
		const meanwhile = { ...next, booking: uuid(), startsAt: '2026-07-20T10:00:00.000Z' };
		const told = await actIn(me, visit, meanwhile);
		expect(told).toMatchObject({ answer: 'refused' });
		expect('why' in told && told.why).toMatch(/is booked then already: Cellar upright/);
		expect(await bookingsBetween(me.workshopId, DAY.from, DAY.to)).toHaveLength(1);
		// Cancelled in the diary it does not come back with a visit that is told again.
		await cancelBooking(me, said.booking, false);
		expect(await bookingsBetween(me.workshopId, DAY.from, DAY.to)).toHaveLength(0);
	});

	it('is each workshop’s own', async () => {
		const [me, other] = [await newWorkshop(), await newWorkshop()];
		const one = draft(me.userId, '14T09:00');
		await book(me, [one]);
		const { id: _, ...said } = { ...one, version: 1 };
		await expect(changeBooking(other, one.id, { ...said, userId: other.userId })).rejects.toEqual(refused(404));
		await expect(cancelBooking(other, one.id, false)).rejects.toEqual(refused(404));
		expect(await bookingsBetween(me.workshopId, DAY.from, DAY.to)).toHaveLength(1);
		const instrument = await newInstrument(me.workshopId, details('Mine'));
		await expect(book(other, [draft(other.userId, '14T09:00', 60, { instruments: [instrument] })])).rejects.toEqual(
			refused(400)
		);
		await expect(book(other, [draft(me.userId, '15T09:00')])).rejects.toEqual(refused(400));
	});

	it('is read by calendars at an address, until that is withdrawn', async () => {
		const me = await newWorkshop();
		const place = uuid();
		await keepPlace(me, place, {
			...blank,
			name: 'Mill; north',
			town: 'Quay',
			address: 'Lane 2, left',
			entry: 'Ring twice'
		});
		const instrument = await newInstrument(me.workshopId, details('Cottage, upright'));
		const one = draft(me.userId, '14T09:00', 90, { locationId: place, instruments: [instrument], promised: 'A price' });
		await book(me, [one]);
		const { token } = await openCalendar(me, 'Telephone');
		const read = async () => {
			const file = await calendarAt(token, new Date('2026-07-10T00:00:00Z'));
			return file === undefined
				? undefined
				: new ICAL.Component(ICAL.parse(file) as never)
						.getAllSubcomponents('vevent')
						.map((each) => new ICAL.Event(each));
		};
		const [event] = (await read())!;
		expect(event.uid).toBe(one.id);
		expect([event.summary, event.location]).toEqual(['Cottage, upright', 'Mill; north, Lane 2, left, Quay']);
		expect(event.description).toBe('Getting in: Ring twice\nPromised: A price');
		expect(event.startDate.toJSDate().toISOString()).toBe(one.startsAt);
		expect(event.duration.toSeconds()).toBe(90 * 60);
		// Moved: the same event, and newer.
		const { id: _, ...said } = { ...one, version: 1 };
		await changeBooking(me, one.id, { ...said, startsAt: '2026-07-15T09:00:00.000Z' });
		const [moved] = (await read())!;
		expect(moved.uid).toBe(one.id);
		expect(moved.sequence).toBeGreaterThan(event.sequence);
		const [address] = await calendarAddresses(me);
		expect(address.readAt).not.toBeNull();
		await closeCalendar(await newWorkshop(), address.id);
		expect(await read()).toHaveLength(1);
		await closeCalendar(me, address.id);
		expect(await read()).toBeUndefined();
		expect(await calendarAt('guessed', new Date())).toBeUndefined();
	});
});

describe('places and people', () => {
	it('of one place that was written twice: all that is there is at the one that stays', async () => {
		const me = await newWorkshop();
		const [stays, goes, third] = [uuid(), uuid(), uuid()];
		await keepPlace(me, stays, { ...blank, name: 'Tide Mill', town: '' });
		await keepPlace(me, goes, { ...blank, name: 'Tide mill', town: 'Quay', entry: 'Ring twice', fromHome: 9 });
		await keepPlace(me, third, { ...blank, name: 'Loft', town: '' });
		await keepWay(me, goes, third, 5);
		const instrument = await newInstrument(me.workshopId, {
			...details('Moved'),
			...{ location: 'Tide mill', town: 'Quay' }
		});
		await keepContact(me, uuid(), { ...contact, locationId: goes });
		await book(me, [draft(me.userId, '14T09:00', 60, { locationId: goes })]);
		await expect(removePlace(me, goes)).rejects.toEqual(refused(409));
		await mergePlace(me, goes, stays);
		expect((await listPlaces(me.workshopId)).map(({ name }) => name)).toEqual(['Loft', 'Tide Mill']);
		expect(await getInstrument(me.workshopId, instrument)).toMatchObject({ locationId: stays });
		expect((await listContacts(me.workshopId, stays)).map(({ name }) => name)).toEqual(['Ida']);
		expect(await bookingsBetween(me.workshopId, DAY.from, DAY.to)).toMatchObject([{ locationId: stays }]);
		expect((await listPlaces(me.workshopId)).find(({ id }) => id === stays)).toMatchObject({
			entry: 'Ring twice',
			fromHome: 9
		});
		expect(await knownWays(me.workshopId)).toEqual(new Map());
		await expect(mergePlace(await newWorkshop(), third, stays)).rejects.toEqual(refused(404));
	});

	it('are written over one version only, and two of one person become one', async () => {
		const me = await newWorkshop();
		const [a, b] = [uuid(), uuid()];
		await keepContact(me, a, { ...contact, phone: '01632 960171' });
		await expect(keepContact(me, a, { ...contact, phone: '1' })).rejects.toEqual(refused(409));
		await keepContact(me, b, { ...contact, name: 'Ida Fenner', email: 'ida@mill.example', note: 'rings twice' });
		await mergeContacts(me, b, a);
		expect(await listContacts(me.workshopId)).toMatchObject([
			{ id: a, name: 'Ida', phone: '01632 960171', email: 'ida@mill.example', note: 'rings twice' }
		]);
		await expect(keepPlace(me, uuid(), { ...blank, name: 'X', town: '', latitude: 51 })).rejects.toEqual(refused(400));
	});
});
