import { DEFAULT_EAR, earFromRates } from '@fendrel/core';
import { fail } from '@sveltejs/kit';
import { z } from 'zod';
import { progressOf } from '$lib/practice/progress';
import { signedInOf } from '$lib/server/auth/guard';
import { earOf, keepEar, removeSitting, sittingsOf } from '$lib/server/db/stores/sittings';
import { sentForm } from '$lib/server/sentForm';
import type { Actions, PageServerLoad } from './$types';

async function progress(userId: string) {
	const all = progressOf(await sittingsOf(userId));
	const rate = (register: string) =>
		all.find((each) => each.drill === 'rates' && each.register === register)?.threshold;
	const [quick, slow] = [rate('quick'), rate('slow')];
	return { all, ear: quick && slow && earFromRates(quick.size, slow.size, DEFAULT_EAR.bias) };
}

export const load = (async ({ locals }) => {
	const { userId } = signedInOf(locals);
	const { all, ear } = await progress(userId);
	return { progress: all, practised: ear, taken: await earOf(userId) };
}) satisfies PageServerLoad;

const one = z.object({ id: z.uuid() });
const ear = z.object({ take: z.enum(['yes', 'no']) });

export const actions = {
	remove: async ({ request, locals }) => {
		const sent = await sentForm(request, one);
		const done = sent && (await removeSitting(signedInOf(locals).userId, sent.id));
		return done ? { done: 'The sitting is gone.' } : fail(404, { problem: 'There is no such sitting.' });
	},
	/** The ear that practice has measured becomes the one that plans reckon with, or no longer is. */
	ear: async ({ request, locals }) => {
		const { userId } = signedInOf(locals);
		const sent = await sentForm(request, ear);
		if (!sent) return fail(400, { problem: 'That cannot be read.' });
		const { ear: measured } = await progress(userId);
		if (sent.take === 'yes' && !measured) return fail(409, { problem: 'Both rates have to be measured first.' });
		await keepEar(userId, sent.take === 'yes' ? measured! : null);
		return { done: sent.take === 'yes' ? 'Bearing plans offer it as “as practised”.' : 'It is no longer offered.' };
	}
} satisfies Actions;
