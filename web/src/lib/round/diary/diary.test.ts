import { describe, expect, it } from 'vitest';
import { bookingTitle, newBookingsSchema, overlap } from './booking';
import { occurrences } from './recurrence';
import { heldWords, stopsOf } from '../dayHeld';
import { dayHeadline, dayLine } from '../dayLine';
import type { ToldBooking } from './booking';

const booking = (at: string, minutes: number, changes: Partial<ToldBooking> = {}): ToldBooking => ({
	...{ id: at, userId: 'me', locationId: null, instruments: [], startsAt: new Date(at).toISOString(), minutes },
	...{ purpose: '', promised: '', seriesId: null, version: 1, place: 'Hall', town: '', entry: '', fromHome: 20 },
	...{ who: 'Wren', named: [{ id: `${at} x`, name: 'Upright' }] },
	...changes
});

describe('a booking', () => {
	it('may begin when another ends, and not before', () => {
		const first = booking('2026-07-14T09:00', 60);
		expect(overlap(first, booking('2026-07-14T10:00', 30))).toBe(false);
		expect(overlap(first, booking('2026-07-14T09:59', 30))).toBe(true);
		expect(overlap(booking('2026-07-14T08:00', 300), first)).toBe(true);
	});

	it('is called by what is tuned, else by its place or purpose', () => {
		const of = (names: readonly string[]) => names.map((name) => ({ id: name, name }));
		expect(bookingTitle({ named: of(['A', 'B', 'C']), purpose: '', place: '' })).toBe('A and 2 more');
		expect(bookingTitle({ named: [], purpose: 'Talk', place: 'Hall' })).toBe('Hall');
		expect(bookingTitle({ named: [], purpose: '', place: '' })).toBe('Booked');
	});

	it('is refused in words where it cannot be', () => {
		const draft = { ...booking('2026-07-14T09:00', 3), id: '0190aaaa-0000-7000-8000-000000000001' };
		const said = newBookingsSchema.safeParse({ bookings: [{ ...draft, userId: draft.id }] });
		expect(said.error?.issues[0].message).toBe('It takes 5 minutes at least.');
	});
});

describe('what is booked again and again', () => {
	const days = (all: readonly Date[]) => all.map((at) => `${at.getMonth() + 1}-${at.getDate()} ${at.getHours()}h`);

	it('keeps the hour on the wall, and the day of the month as far as there is one', () => {
		// Across the end of summer time, where there is any.
		expect(days(occurrences(new Date(2026, 9, 12, 9), 'fortnightly', new Date(2026, 10, 10)))).toEqual([
			...['10-12 9h', '10-26 9h', '11-9 9h']
		]);
		expect(days(occurrences(new Date(2026, 0, 31, 14), 'monthly', new Date(2026, 4, 1)))).toEqual([
			...['1-31 14h', '2-28 14h', '3-31 14h', '4-30 14h']
		]);
		expect(days(occurrences(new Date(2026, 0, 5, 8), 'half-yearly', new Date(2027, 0, 5)))).toEqual([
			...['1-5 8h', '7-5 8h', '1-5 8h']
		]);
	});

	it('ends after a year of weeks, and is nothing where its end lies before its beginning', () => {
		expect(occurrences(new Date(2026, 0, 5, 9), 'weekly', new Date(2036, 0, 1))).toHaveLength(53);
		expect(occurrences(new Date(2026, 0, 5, 9), 'weekly', new Date(2026, 0, 4))).toEqual([]);
		expect(occurrences(new Date(2026, 0, 5, 9), 'once', new Date(2020, 0, 4))).toHaveLength(1);
	});
});

describe('a day', () => {
	it('says how many visits, to how many, and when one is home', () => {
		const day = new Date(2026, 6, 14);
		expect(dayHeadline([], day)).toBe('Tuesday: nothing is booked.');
		const all = [
			booking('2026-07-14T09:00', 60),
			booking('2026-07-14T14:00', 100, { named: [1, 2].map((id) => ({ id: `${id}`, name: 'Room' })) })
		];
		expect(dayHeadline(all, day)).toBe('Tuesday: two visits to 3 instruments, home by 16:00.');
		expect(dayHeadline(all.slice(0, 1), day)).toBe('Tuesday: one visit, home by 10:20.');
	});

	it('is drawn from eight to five, wider where work is; what two people do at once stands side by side', () => {
		const { from, to, blocks } = dayLine([
			booking('2026-07-14T07:30', 60),
			booking('2026-07-14T08:00', 60, { userId: 'other' }),
			booking('2026-07-14T17:00', 90)
		]);
		expect([from, to]).toEqual([7, 19]);
		expect(blocks.map(({ top, hours, lane, lanes }) => [top, hours, lane, lanes])).toEqual([
			[0.5, 1, 0, 2],
			[1, 1, 1, 2],
			[10, 1.5, 0, 2]
		]);
		expect(blocks[0].time).toBe('7:30 to 8:30');
	});
});

describe('a day on the device', () => {
	it('says what is there, how large and how old; or what is missing', () => {
		const at = new Date(2026, 6, 14, 7, 40).getTime();
		const day = { day: '2026-07-14', at, bytes: 1_240_000, instruments: 5, missing: 0, stops: [] };
		expect(heldWords(day)).toBe('Everything for today is on this device, 7:40; 1.2 MB.');
		expect(heldWords({ ...day, missing: 2 })).toContain('3 of today’s 5 instruments are on this device');
	});

	it('keeps what one must know at the door', () => {
		const [stop] = stopsOf([booking('2026-07-14T09:00', 60, { entry: 'ring twice', promised: 'a price' })]);
		expect(stop).toMatchObject({ title: 'Upright', about: 'Promised: a price. Ring twice. Hall.' });
	});
});
