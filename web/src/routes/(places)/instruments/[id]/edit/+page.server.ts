import { error, fail, redirect } from '@sveltejs/kit';
import { setError, superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import { instrumentSchema } from '$lib/instruments/schema';
import { workshopOf } from '$lib/server/auth/guard';
import { isDuplicate } from '$lib/server/db/faults';
import { getInstrument, listPlaces, updateInstrument } from '$lib/server/db/stores/instruments';
import { detailsFromForm, formFromInstrument } from '$lib/server/instruments';
import type { Actions, PageServerLoad } from './$types';

async function instrumentOr404(workshopId: string, id: string) {
	return (
		(await getInstrument(workshopId, id)) ?? error(404, { message: 'There is no such instrument in your workshop.' })
	);
}

export const load = (async ({ locals, params }) => {
	const workshopId = workshopOf(locals);
	const instrument = await instrumentOr404(workshopId, params.id);
	return {
		name: instrument.name,
		form: await superValidate(formFromInstrument(instrument), zod4(instrumentSchema)),
		places: (await listPlaces(workshopId)).map(({ name, town }) => ({ name, town }))
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params }) => {
		const workshopId = workshopOf(locals);
		const before = await instrumentOr404(workshopId, params.id);
		const form = await superValidate(request, zod4(instrumentSchema));
		if (!form.valid) return fail(400, { form });
		try {
			await updateInstrument(workshopId, params.id, detailsFromForm(form.data, before));
		} catch (fault) {
			if (isDuplicate(fault))
				return setError(form, 'name', 'You have another instrument of that name. Choose another name.');
			throw fault;
		}
		redirect(303, `/instruments/${params.id}`);
	}
} satisfies Actions;
