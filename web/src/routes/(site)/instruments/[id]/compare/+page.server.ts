import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { workshopOf } from '$lib/server/auth/guard';
import { visitsOf } from '$lib/server/db/stores/visits';
import { strungOr404 } from '$lib/server/find';
import { compareVisits } from '$lib/server/visits/comparison';
import type { PageServerLoad } from './$types';

const asked = z.object({ before: z.uuid(), after: z.uuid() });

export const load = (async ({ locals, params, url }) => {
	const workshopId = workshopOf(locals);
	const { id, name, lowest, highest } = await strungOr404(workshopId, params.id);
	const finished = (await visitsOf(workshopId, id)).filter(({ finishedAt }) => finishedAt);
	const { data } = asked.safeParse(Object.fromEntries(url.searchParams));
	const isOfIt = (visit: string) => finished.some((each) => each.id === visit);
	if (!data || !isOfIt(data.before) || !isOfIt(data.after))
		error(404, { message: 'Two visits of one instrument are compared. Choose them on its page.' });
	return {
		instrument: { id, name, lowest, highest },
		visits: finished.map(({ id, startedAt }) => ({ id, startedAt })),
		asked: data,
		comparison: data.before === data.after ? undefined : await compareVisits(workshopId, [data.before, data.after])
	};
}) satisfies PageServerLoad;
