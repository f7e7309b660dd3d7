import { fail, redirect } from '@sveltejs/kit';
import { z } from 'zod';
import { limitedText } from '$lib/ui/fields';
import { workshopOf } from '$lib/server/auth/guard';
import { updateVisit } from '$lib/server/db/stores/visits';
import { visitOr404 } from '$lib/server/visits/open';
import { NOTE_LIMIT } from '$lib/visit/schema';
import type { Actions } from './$types';

const closeSchema = z.object({ note: limitedText(NOTE_LIMIT) });

export const actions = {
	finish: async ({ request, locals, params }) => {
		const workshopId = workshopOf(locals);
		const form = closeSchema.safeParse(Object.fromEntries(await request.formData()));
		if (!form.success) return fail(400, { problem: form.error.issues[0].message });
		const visit = await visitOr404(workshopId, params.id);
		if (!visit.finishedAt)
			await updateVisit(workshopId, visit.id, { note: form.data.note, stage: 'close', finishedAt: new Date() });
		redirect(303, `/instruments/${visit.instrumentId}`);
	}
} satisfies Actions;
