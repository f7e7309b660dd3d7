import { fail } from '@sveltejs/kit';
import { z } from 'zod';
import { signedInOf } from '$lib/server/auth/guard';
import { deletedName } from '$lib/server/db/stores/deletions';
import { shelfOf, shelved } from '$lib/server/db/stores/shelf';
import { sentForm } from '$lib/server/sentForm';
import { bringBack } from '$lib/server/workshop/deletion';
import { mayDo } from '$lib/workshop/roles';
import type { Actions, PageServerLoad } from './$types';

/** Instruments to a page of the register. */
const PAGE = 60;
const asked = z.object({
	find: z.string().max(120).catch(''),
	after: z.string().max(300).catch(''),
	/** The instrument that was deleted last: it can be brought back at once. */
	deleted: z.uuid().optional().catch(undefined),
	/** Those that are laid aside. */
	aside: z.literal('1').optional().catch(undefined)
});

export const load = (async ({ locals, url }) => {
	const { workshopId, places, role } = signedInOf(locals);
	const { find, after, deleted, aside } = asked.parse({ find: '', after: '', ...Object.fromEntries(url.searchParams) });
	const [rows, inAll, laidAside, gone] = await Promise.all([
		shelfOf(workshopId, { find, after, most: PAGE + 1, places, laidAside: aside === '1' }),
		shelved(workshopId, places),
		shelved(workshopId, places, true),
		deleted && mayDo(role, 'decide') ? deletedName(workshopId, deleted) : undefined
	]);
	const instruments = rows.slice(0, PAGE);
	return {
		...{ instruments, inAll, laidAside, find, aside: aside === '1' },
		next: rows.length > PAGE ? instruments.at(-1)!.shelf : undefined,
		isFirst: after === '',
		deleted: deleted && gone !== undefined ? { id: deleted, name: gone } : undefined
	};
}) satisfies PageServerLoad;

const one = z.object({ id: z.uuid() });

export const actions = {
	bringBack: async ({ request, locals }) => {
		const sent = await sentForm(request, one);
		const problem = sent ? await bringBack(signedInOf(locals), 'instrument', sent.id) : 'That cannot be read.';
		return problem ? fail(409, { problem }) : { done: 'It is back, as it was.' };
	}
} satisfies Actions;
