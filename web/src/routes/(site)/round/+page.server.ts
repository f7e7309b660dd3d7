import { addDays, parseISO } from 'date-fns';
import { z } from 'zod';
import { signedInOf } from '$lib/server/auth/guard';
import { bookingsBetween, toldBookings } from '$lib/server/db/stores/bookings';
import { roundOf } from '$lib/server/round/round';
import type { PageServerLoad } from './$types';

/** Today, unless another day is looked at. */
const asked = z.object({ on: z.iso.date().optional().catch(undefined) });

export const load = (async ({ locals, url }) => {
	const { workshopId, userId, places } = signedInOf(locals);
	const { on } = asked.parse(Object.fromEntries(url.searchParams));
	const now = on ? parseISO(on).getTime() + 9 * 3_600_000 : Date.now();
	// When a day begins only the device knows: it may be a day earlier or later there.
	const around = await bookingsBetween(workshopId, addDays(now, -2), addDays(now, 2));
	const [instruments, bookings] = await Promise.all([
		roundOf(workshopId, places, now),
		toldBookings(workshopId, around)
	]);
	return { instruments, bookings, me: userId, now, on };
}) satisfies PageServerLoad;
