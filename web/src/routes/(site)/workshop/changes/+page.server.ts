import { z } from 'zod';
import { workshopOf } from '$lib/server/auth/guard';
import { namesOf } from '$lib/server/db/stores/accounts';
import { changesOf } from '$lib/server/db/stores/changes';
import type { PageServerLoad } from './$types';

const PAGE = 60;
const asked = z.object({ before: z.uuid().optional().catch(undefined) });

export const load = (async ({ locals, url }) => {
	const workshopId = workshopOf(locals);
	const { before } = asked.parse(Object.fromEntries(url.searchParams));
	const [rows, names] = await Promise.all([changesOf(workshopId, PAGE + 1, before), namesOf(workshopId)]);
	const shown = rows.slice(0, PAGE);
	return {
		changes: shown.map(({ id, userId, at, what, name, said }) => ({
			...{ id, at, what, name, said },
			who: userId ? names.get(userId) : undefined
		})),
		next: rows.length > PAGE ? shown.at(-1)!.id : undefined,
		isFirst: before === undefined
	};
}) satisfies PageServerLoad;
