import { fail, redirect } from '@sveltejs/kit';
import { z } from 'zod';
import { limitedText } from '$lib/ui/fields';
import { workshopOf } from '$lib/server/auth/guard';
import { finishVisit } from '$lib/server/visits/open';
import { NOTE_LIMIT } from '$lib/visit/schema';
import type { Actions } from './$types';

const closeSchema = z.object({ note: limitedText(NOTE_LIMIT) });

export const actions = {
	finish: async ({ request, locals, params }) => {
		const form = closeSchema.safeParse(Object.fromEntries(await request.formData()));
		if (!form.success) return fail(400, { problem: form.error.issues[0].message });
		const { instrumentId } = await finishVisit(workshopOf(locals), params.id, form.data.note);
		redirect(303, `/instruments/${instrumentId}`);
	}
} satisfies Actions;
