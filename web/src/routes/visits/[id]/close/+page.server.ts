import { fail, redirect } from '@sveltejs/kit';
import { superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import { z } from 'zod';
import { limitedText } from '$lib/instruments/schema';
import { workshopOf } from '$lib/server/auth/guard';
import { updateVisit } from '$lib/server/db/stores/visits';
import { visitOr404 } from '$lib/server/visits/open';
import { NOTE_LIMIT } from '$lib/visit/schema';
import type { Actions, PageServerLoad } from './$types';

const closeSchema = z.object({ note: limitedText(NOTE_LIMIT) });

export const load = (async ({ parent }) => {
	const { visit } = await parent();
	return { form: await superValidate({ note: visit.note }, zod4(closeSchema)) };
}) satisfies PageServerLoad;

export const actions = {
	finish: async ({ request, locals, params }) => {
		const workshopId = workshopOf(locals);
		const form = await superValidate(request, zod4(closeSchema));
		if (!form.valid) return fail(400, { form });
		const visit = await visitOr404(workshopId, params.id);
		if (!visit.finishedAt)
			await updateVisit(workshopId, visit.id, { note: form.data.note, stage: 'close', finishedAt: new Date() });
		redirect(303, `/instruments/${visit.instrumentId}`);
	}
} satisfies Actions;
