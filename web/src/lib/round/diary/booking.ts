import { BOOKED_MINUTES } from '@fendrel/core';
import { z } from 'zod';

/** Bookings that are made together at most: a year of weeks, and one. */
export const MOST_TOGETHER = 53;
/** Instruments that one booking is for. */
export const MOST_INSTRUMENTS = 40;

export const bookingSchema = z.object({
	/** Who goes. */
	userId: z.uuid(),
	locationId: z.uuid().nullable(),
	instruments: z.array(z.uuid()).max(MOST_INSTRUMENTS, `At most ${MOST_INSTRUMENTS} instruments to a booking.`),
	startsAt: z.iso.datetime(),
	minutes: z
		.number()
		.int()
		.min(BOOKED_MINUTES.least, `It takes ${BOOKED_MINUTES.least} minutes at least.`)
		.max(BOOKED_MINUTES.most, 'It takes 12 hours at most.'),
	purpose: z.string().trim().max(200, 'At most 200 characters.'),
	promised: z.string().trim().max(1000, 'At most 1000 characters.')
});
export type BookingDraft = z.infer<typeof bookingSchema>;
/** New ones, made together: all of them or none. */
export const newBookingsSchema = z.object({
	bookings: z
		.array(bookingSchema.extend({ id: z.uuid() }))
		.min(1)
		.max(MOST_TOGETHER, `At most ${MOST_TOGETHER} at once.`)
});
export const changedBookingSchema = bookingSchema.extend({ version: z.number().int().min(0) });

/** A booking as it stands in the diary. */
export interface Booking extends BookingDraft {
	readonly id: string;
	/** Those that were made together. */
	readonly seriesId: string | null;
	readonly version: number;
}

/** Where it is, and who goes, in words. */
export interface ToldBooking extends Booking {
	readonly place: string;
	readonly town: string;
	/** How one gets in, and minutes from there home. */
	readonly entry: string;
	readonly fromHome: number;
	readonly who: string;
	/** Instruments that are still there, by name. */
	readonly named: readonly { readonly id: string; readonly name: string }[];
}

export const endOf = ({ startsAt, minutes }: Pick<BookingDraft, 'startsAt' | 'minutes'>): Date =>
	new Date(Date.parse(startsAt) + minutes * 60_000);

/** Whether two take some of the same time. One may begin when the other ends. */
export const overlap = (
	a: Pick<BookingDraft, 'startsAt' | 'minutes'>,
	b: Pick<BookingDraft, 'startsAt' | 'minutes'>
): boolean => Date.parse(a.startsAt) < endOf(b).getTime() && Date.parse(b.startsAt) < endOf(a).getTime();

/** What it is called: "Practice room 12 and 2 more", else its purpose or its place. */
export function bookingTitle({ named, purpose, place }: Pick<ToldBooking, 'named' | 'purpose' | 'place'>): string {
	if (named.length === 1) return named[0].name;
	if (named.length > 1) return `${named[0].name} and ${named.length - 1} more`;
	return place || purpose || 'Booked';
}
