import { fail, redirect } from '@sveltejs/kit';
import { message, setError, superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import { joinSchema, newPasswordSchema } from '$lib/account/accountForms';
import { knowDevice, startSession } from '$lib/server/auth/session';
import { join, linkOf } from '$lib/server/workshop/people';
import type { Actions, PageServerLoad } from './$types';

const OVER = 'This link does not work any more. Ask the owner of the workshop for a new one.';

export const load = (async ({ params }) => {
	const link = await linkOf(params.token);
	// Somebody new says who they are; somebody who belongs to the workshop chooses a password only.
	const form = await superValidate(zod4(link?.user ? newPasswordSchema : joinSchema));
	return { link, form, over: OVER };
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, params, cookies, url }) => {
		const link = await linkOf(params.token);
		const form = link?.user
			? await superValidate(request, zod4(newPasswordSchema))
			: await superValidate(request, zod4(joinSchema));
		if (!form.valid) return fail(400, { form });
		const joined = await join(params.token, form.data);
		if (joined === 'over') return message(form, OVER, { status: 410 });
		if (joined === 'taken') return setError(form as never, 'email', 'There is an account with that e-mail already.');
		await startSession(cookies, url, joined.userId, request.headers.get('user-agent'));
		await knowDevice(cookies, url, joined.userId);
		redirect(303, '/');
	}
} satisfies Actions;
