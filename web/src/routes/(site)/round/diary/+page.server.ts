import { addDays, parseISO } from 'date-fns';
import { z } from 'zod';
import { signedInOf } from '$lib/server/auth/guard';
import { bookingsBetween, toldBookings } from '$lib/server/db/stores/bookings';
import { calendarAddresses } from '$lib/server/diary/calendar';
import { diaryGround } from '$lib/server/diary/ground';
import type { PageServerLoad } from './$types';

/** Days behind and ahead that the diary shows. */
const DAYS = { back: 120, ahead: 400 } as const;
const asked = z.object({
	on: z.iso.date().optional().catch(undefined),
	/** What a new booking is for. */
	for: z.uuid().optional().catch(undefined)
});

export const load = (async ({ locals, url }) => {
	const who = signedInOf(locals);
	const { on, for: instrument } = asked.parse(Object.fromEntries(url.searchParams));
	const date = on ? parseISO(on) : new Date();
	const bookings = await bookingsBetween(who.workshopId, addDays(date, -DAYS.back), addDays(date, DAYS.ahead));
	return {
		bookings: await toldBookings(who.workshopId, bookings),
		ground: await diaryGround(who),
		addresses: await calendarAddresses(who),
		on,
		instruments: instrument ? [instrument] : []
	};
}) satisfies PageServerLoad;
