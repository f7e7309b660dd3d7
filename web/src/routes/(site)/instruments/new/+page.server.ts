import { fail, redirect } from '@sveltejs/kit';
import { setError, superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import { instrumentSchema } from '$lib/instruments/instrumentForm';
import { isDuplicate } from '$lib/server/db/faults';
import { listLocations } from '$lib/server/db/stores/locations';
import { addInstrument } from '$lib/server/instruments/keep';
import { askWhichPlace, detailsFromForm } from '$lib/server/instruments/form';
import { signedInOf, workshopOf } from '$lib/server/auth/guard';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals }) => {
	const start = { kind: 'upright', lowest: 'A0', highest: 'C8', usualA4: 440 } as const;
	return {
		form: await superValidate(start, zod4(instrumentSchema), { errors: false }),
		locations: (await listLocations(workshopOf(locals))).map(({ name, town }) => ({ name, town }))
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals }) => {
		const form = await superValidate(request, zod4(instrumentSchema));
		if (!form.valid) return fail(400, { form });
		const asked = await askWhichPlace(workshopOf(locals), form);
		if (asked) return fail(400, asked);
		let id: string;
		try {
			id = await addInstrument(signedInOf(locals), detailsFromForm(form.data));
		} catch (error) {
			if (isDuplicate(error))
				return setError(form, 'name', 'You have an instrument of that name already. Choose another name.');
			throw error;
		}
		redirect(303, `/instruments/${id}`);
	}
} satisfies Actions;
