import { fail } from '@sveltejs/kit';
import { addDays } from 'date-fns';
import { z } from 'zod';
import { KEPT_DAYS } from '$lib/workshop/deletable';
import { deletedSchema } from '$lib/account/peopleForms';
import { signedInOf, workshopOf } from '$lib/server/auth/guard';
import { namesOf } from '$lib/server/db/stores/accounts';
import { deletedIn } from '$lib/server/db/stores/deletions';
import { sentForm } from '$lib/server/sentForm';
import { bringBack, erase } from '$lib/server/workshop/deletion';
import type { Actions, PageServerLoad } from './$types';

const PAGE = 60;
const asked = z.object({ after: z.coerce.number().int().min(0).max(1e6).catch(0) });

export const load = (async ({ locals, url }) => {
	const workshopId = workshopOf(locals);
	const { after } = asked.parse({ after: url.searchParams.get('after') ?? 0 });
	const [rows, names] = await Promise.all([deletedIn(workshopId, PAGE + 1, after), namesOf(workshopId)]);
	return {
		deleted: rows.slice(0, PAGE).map(({ deletedBy, ...row }) => ({
			...row,
			by: names.get(deletedBy ?? ''),
			until: addDays(row.deletedAt, KEPT_DAYS)
		})),
		next: rows.length > PAGE ? after + PAGE : undefined,
		isFirst: after === 0
	};
}) satisfies PageServerLoad;

export const actions = {
	bringBack: async ({ request, locals }) => {
		const asked = await sentForm(request, deletedSchema);
		const problem = asked ? await bringBack(signedInOf(locals), asked.kind, asked.id) : 'That cannot be read.';
		return problem ? fail(409, { problem }) : { done: 'It is back, as it was.' };
	},
	erase: async ({ request, locals }) => {
		const asked = await sentForm(request, deletedSchema);
		const problem = asked ? await erase(signedInOf(locals), asked.kind, asked.id) : 'That cannot be read.';
		return problem ? fail(409, { problem }) : { done: 'It is erased.' };
	}
} satisfies Actions;
