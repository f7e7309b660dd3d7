import { fail } from '@sveltejs/kit';
import { message, setError, superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import { endSchema, passwordSchema } from '$lib/account/accountForms';
import { signedInOf } from '$lib/server/auth/guard';
import { sentForm } from '$lib/server/sentForm';
import { deviceOf, sessionOf } from '$lib/server/auth/session';
import { hashPassword, signIn } from '$lib/server/auth/signIn';
import { endSessionsOf, keepPassword, sessionsOf, userById } from '$lib/server/db/stores/accounts';
import { noteChange } from '$lib/server/db/stores/changes';
import { forgetDevices } from '$lib/server/db/stores/knownDevices';
import type { Actions, PageServerLoad } from './$types';

export const load = (async ({ locals, cookies }) => {
	const { userId } = signedInOf(locals);
	const here = sessionOf(cookies);
	const open = await sessionsOf(userId);
	return {
		form: await superValidate(zod4(passwordSchema)),
		sessions: open.map(({ tokenHash, device, createdAt, lastAt }) => ({
			...{ device, createdAt, lastAt },
			// Nobody signs in with a digest of a digest.
			id: tokenHash.slice(0, 16),
			isHere: tokenHash === here
		}))
	};
}) satisfies PageServerLoad;

export const actions = {
	password: async ({ request, locals, cookies, getClientAddress }) => {
		const form = await superValidate(request, zod4(passwordSchema));
		if (!form.valid) return fail(400, { form });
		const who = signedInOf(locals);
		const { userId, name, demo } = who;
		const { password, next } = form.data;
		form.data = { password: '', next: '' };
		if (demo) return message(form, 'The demo account keeps its password: it is on the sign-in page.', { status: 400 });
		const { email } = (await userById(userId))!;
		const device = deviceOf(cookies);
		const result = await signIn(email, password, { address: getClientAddress(), device });
		if (result.kind === 'wrong') return setError(form, 'password', 'That is not the password that you have now.');
		if (result.kind !== 'welcome')
			return message(form, 'Too many wrong passwords. Wait some minutes, then try again.', { status: 429 });
		await keepPassword(userId, await hashPassword(next));
		// Whoever knew the old one is out.
		await endSessionsOf(userId, { but: sessionOf(cookies)! });
		await forgetDevices(userId, device);
		await noteChange(who, { what: 'password changed', subjectId: userId, name });
		return message(form, 'Your password is changed. You are signed out everywhere else.');
	},
	end: async ({ request, locals, cookies }) => {
		const { userId } = signedInOf(locals);
		const asked = (await sentForm(request, endSchema))?.session;
		const here = sessionOf(cookies)!;
		if (asked === 'others') await endSessionsOf(userId, { but: here });
		else {
			const one = (await sessionsOf(userId)).find(({ tokenHash }) => tokenHash.slice(0, 16) === asked);
			if (!one) return fail(404, { ended: 'That session has ended already.' });
			await endSessionsOf(userId, { only: one.tokenHash });
		}
		return { ended: 'Ended. What waits on that device is sent when somebody signs in there again.' };
	}
} satisfies Actions;
