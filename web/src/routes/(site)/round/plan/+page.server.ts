import { z } from 'zod';
import { signedInOf } from '$lib/server/auth/guard';
import { bookingsBetween } from '$lib/server/db/stores/bookings';
import { knownWays, listPlaces } from '$lib/server/db/stores/locations';
import { diaryGround } from '$lib/server/diary/ground';
import { roundOf } from '$lib/server/round/round';
import { waysAmong } from '$lib/places/ways';
import { addDays, parseISO } from 'date-fns';
import type { PageServerLoad } from './$types';

/** Days after the one that is planned in which a booking counts. */
const BOOKED_DAYS = 30;

const asked = z.object({ on: z.iso.date().optional().catch(undefined) });

export const load = (async ({ locals, url }) => {
	const who = signedInOf(locals);
	const { on } = asked.parse(Object.fromEntries(url.searchParams));
	const now = on ? parseISO(on).getTime() + 9 * 3_600_000 : Date.now();
	const [round, places, known, { people, me }, coming] = await Promise.all([
		roundOf(who.workshopId, who.places, now),
		listPlaces(who.workshopId),
		knownWays(who.workshopId),
		diaryGround(who),
		bookingsBetween(who.workshopId, new Date(), addDays(now, BOOKED_DAYS))
	]);
	// What somebody goes to anyway is not planned once more.
	const booked = new Set(coming.flatMap((booking) => booking.instruments));
	const instruments = round.filter(({ id }) => !booked.has(id));
	return {
		...{ instruments, now, on, people, me },
		places: places.map(({ id, name, town }) => ({ id, name, town })),
		ways: waysAmong(places, known)
	};
}) satisfies PageServerLoad;
