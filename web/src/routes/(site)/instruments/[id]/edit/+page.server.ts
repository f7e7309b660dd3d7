import { fail, redirect } from '@sveltejs/kit';
import { message, setError, superValidate, type SuperValidated } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import { instrumentSchema, type InstrumentForm } from '$lib/instruments/instrumentForm';
import { signedInOf, workshopOf } from '$lib/server/auth/guard';
import { isDuplicate } from '$lib/server/db/faults';
import { listLocations } from '$lib/server/db/stores/locations';
import { instrumentOr404 } from '$lib/server/find';
import { changeInstrument } from '$lib/server/instruments/keep';
import { askWhichPlace, detailsFromForm, formFromInstrument } from '$lib/server/instruments/form';
import type { Actions, PageServerLoad } from './$types';

/** Somebody else has saved since the form was filled: what they wrote stands beside what was typed, and one chooses. */
function changedMeanwhile(form: SuperValidated<InstrumentForm>, theirs: InstrumentForm) {
	form.data.version = theirs.version;
	for (const field of Object.keys(theirs) as (keyof InstrumentForm)[])
		if (field !== 'version' && field !== 'place' && String(theirs[field]) !== String(form.data[field]))
			setError(form, field, `Changed meanwhile on another device, to: “${theirs[field]}”.`);
	return message(
		form,
		'Somebody has saved this instrument meanwhile. Save again to put what stands here in its place.',
		{
			status: 409
		}
	);
}

export const load = (async ({ locals, params }) => {
	const workshopId = workshopOf(locals);
	const instrument = await instrumentOr404(workshopId, params.id);
	return {
		name: instrument.name,
		form: await superValidate(formFromInstrument(instrument), zod4(instrumentSchema)),
		locations: (await listLocations(workshopId)).map(({ name, town }) => ({ name, town }))
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, locals, params }) => {
		const who = signedInOf(locals);
		const { workshopId } = who;
		const before = await instrumentOr404(workshopId, params.id);
		const form = await superValidate(request, zod4(instrumentSchema));
		if (!form.valid) return fail(400, { form });
		const asked = await askWhichPlace(workshopId, form);
		if (asked) return fail(400, asked);
		try {
			const saved = await changeInstrument(who, before, form.data.version, detailsFromForm(form.data, before));
			if (!saved) return changedMeanwhile(form, formFromInstrument(await instrumentOr404(workshopId, params.id)));
		} catch (fault) {
			if (isDuplicate(fault))
				return setError(form, 'name', 'You have another instrument of that name. Choose another name.');
			throw fault;
		}
		redirect(303, `/instruments/${params.id}`);
	}
} satisfies Actions;
