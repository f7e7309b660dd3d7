import { parseISO } from 'date-fns';
import { z } from 'zod';
import { signedInOf } from '$lib/server/auth/guard';
import { roundOf } from '$lib/server/round/round';
import type { PageServerLoad } from './$types';

/** Today, unless another day is looked at. */
const asked = z.object({ on: z.iso.date().optional().catch(undefined) });

export const load = (async ({ locals, url }) => {
	const { workshopId, places } = signedInOf(locals);
	const { on } = asked.parse(Object.fromEntries(url.searchParams));
	const now = on ? parseISO(on).getTime() : Date.now();
	return { instruments: await roundOf(workshopId, places, now), now, on };
}) satisfies PageServerLoad;
