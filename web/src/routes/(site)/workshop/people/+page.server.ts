import { fail } from '@sveltejs/kit';
import { changeSchema, inviteSchema, linkSchema, userSchema } from '$lib/account/peopleForms';
import { signedInOf, workshopOf } from '$lib/server/auth/guard';
import { userById } from '$lib/server/db/stores/accounts';
import { sentForm } from '$lib/server/sentForm';
import { deleteUser } from '$lib/server/workshop/deletion';
import { changePlace, invite, peopleOf, resetPassword, withdraw } from '$lib/server/workshop/people';
import type { Actions, PageServerLoad } from './$types';

export const load = (({ locals }) => peopleOf(workshopOf(locals))) satisfies PageServerLoad;

const UNREADABLE = 'That cannot be read. Choose a role, then try again.';
const NOBODY = 'That account is not there any more.';
const refused = (problem: string, status = 400) => fail(status, { problem });
const answered = (problem: string | undefined, done: string) => (problem ? refused(problem, 409) : { done });

export const actions = {
	invite: async ({ request, locals, url }) => {
		const place = await sentForm(request, inviteSchema, ['places']);
		if (!place) return refused(UNREADABLE);
		const made = await invite(signedInOf(locals), place);
		return 'problem' in made ? refused(made.problem) : { link: `${url.origin}/join/${made.token}`, for: '' };
	},
	withdraw: async ({ request, locals }) => {
		const asked = await sentForm(request, linkSchema);
		return answered(
			asked ? await withdraw(signedInOf(locals), asked.link) : UNREADABLE,
			'That link does not work any more.'
		);
	},
	change: async ({ request, locals }) => {
		const asked = await sentForm(request, changeSchema, ['places']);
		return answered(asked ? await changePlace(signedInOf(locals), asked.user, asked) : UNREADABLE, 'Changed.');
	},
	reset: async ({ request, locals, url }) => {
		const who = signedInOf(locals);
		const asked = await sentForm(request, userSchema);
		const made = asked && (await resetPassword(who, asked.user));
		if (!made) return refused(NOBODY, 404);
		return { link: `${url.origin}/join/${made.token}`, for: (await userById(asked.user))!.name };
	},
	delete: async ({ request, locals }) => {
		const asked = await sentForm(request, userSchema);
		const user = asked && (await userById(asked.user));
		if (!user) return refused(NOBODY, 404);
		return answered(
			await deleteUser(signedInOf(locals), user),
			`${user.name} is signed out everywhere and cannot sign in. Under Deleted the account can be brought back.`
		);
	}
} satisfies Actions;
