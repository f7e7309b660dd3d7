import { fail, redirect } from '@sveltejs/kit';
import { superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import { welcomeSchema } from '$lib/account/accountForms';
import { knowDevice, startSession } from '$lib/server/auth/session';
import { hashPassword } from '$lib/server/auth/signIn';
import { isDuplicate } from '$lib/server/db/faults';
import { createAccount, isEmpty } from '$lib/server/db/stores/accounts';
import type { Actions, PageServerLoad } from './$types';

export const load = (async () => {
	if (!(await isEmpty())) redirect(303, '/signin');
	return { form: await superValidate(zod4(welcomeSchema)) };
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, cookies, url }) => {
		// Only the first account is made here; afterwards this page is closed.
		if (!(await isEmpty())) redirect(303, '/signin');
		const form = await superValidate(request, zod4(welcomeSchema));
		if (!form.valid) return fail(400, { form });
		const { password, ...account } = form.data;
		const passwordHash = await hashPassword(password);
		const user = await createAccount({ ...account, passwordHash, demo: false, first: true }).catch((error) => {
			// Sent twice: the first of them has made it.
			if (isDuplicate(error)) redirect(303, '/signin');
			throw error;
		});
		await startSession(cookies, url, user.id, request.headers.get('user-agent'));
		await knowDevice(cookies, url, user.id);
		redirect(303, '/instruments');
	}
} satisfies Actions;
