import { z } from 'zod';
import { signedInOf } from '$lib/server/auth/guard';
import { knownWays, listPlaces } from '$lib/server/db/stores/locations';
import { diaryGround } from '$lib/server/diary/ground';
import { roundOf } from '$lib/server/round/round';
import { waysAmong } from '$lib/places/ways';
import { parseISO } from 'date-fns';
import type { PageServerLoad } from './$types';

const asked = z.object({ on: z.iso.date().optional().catch(undefined) });

export const load = (async ({ locals, url }) => {
	const who = signedInOf(locals);
	const { on } = asked.parse(Object.fromEntries(url.searchParams));
	const now = on ? parseISO(on).getTime() + 9 * 3_600_000 : Date.now();
	const [instruments, places, known, { people, me }] = await Promise.all([
		roundOf(who.workshopId, who.places, now),
		listPlaces(who.workshopId),
		knownWays(who.workshopId),
		diaryGround(who)
	]);
	return {
		...{ instruments, now, on, people, me },
		places: places.map(({ id, name, town }) => ({ id, name, town })),
		ways: waysAmong(places, known)
	};
}) satisfies PageServerLoad;
