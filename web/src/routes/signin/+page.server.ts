import { fail, redirect } from '@sveltejs/kit';
import { message, setError, superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import { afterSignIn } from '$lib/account/afterSignIn';
import { signInSchema } from '$lib/account/accountForms';
import { deviceOf, knowDevice, startSession } from '$lib/server/auth/session';
import { signIn } from '$lib/server/auth/signIn';
import { isDemoLoaded, isEmpty } from '$lib/server/db/stores/accounts';
import { DEMO_ACCOUNT } from '$lib/server/demo/scenario';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, url }) => {
	if (locals.signedIn) redirect(303, afterSignIn(url.searchParams.get('next'), url));
	if (await isEmpty()) redirect(303, '/welcome');
	const { email, password, name } = DEMO_ACCOUNT;
	return {
		form: await superValidate(zod4(signInSchema)),
		demo: (await isDemoLoaded()) ? { email, password, name } : undefined
	};
}) satisfies PageServerLoad;

export const actions = {
	default: async ({ request, cookies, url, getClientAddress }) => {
		const form = await superValidate(request, zod4(signInSchema));
		if (!form.valid) return fail(400, { form });
		const result = await signIn(form.data.email, form.data.password, {
			...{ address: getClientAddress(), device: deviceOf(cookies) }
		});
		form.data.password = '';
		if (result.kind === 'too many')
			return message(form, `Too many wrong passwords. Wait ${result.minutes} min, then try again.`, { status: 429 });
		if (result.kind === 'crowded')
			return message(form, 'Many passwords are being tried just now. Try again in a minute.', { status: 429 });
		if (result.kind === 'wrong')
			return setError(form, 'password', 'E-mail or password is wrong. Check both and try again.');
		await startSession(cookies, url, result.userId, request.headers.get('user-agent'));
		await knowDevice(cookies, url, result.userId);
		redirect(303, afterSignIn(url.searchParams.get('next'), url));
	}
} satisfies Actions;
