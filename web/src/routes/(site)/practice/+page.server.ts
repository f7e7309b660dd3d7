import { practisedEar, VISIT_PURPOSES, type VisitPurpose } from '@fendrel/core';
import { error, fail } from '@sveltejs/kit';
import { z } from 'zod';
import { progressOf } from '$lib/practice/progress';
import { measuredEar, proposal, reachedUnison } from '$lib/practice/today';
import { signedInOf } from '$lib/server/auth/guard';
import { settingsOf } from '$lib/server/db/stores/accounts';
import {
	earOf,
	keepEar,
	keepShowsPractice,
	removeSitting,
	shownIn,
	showsPractice,
	sittingsOf
} from '$lib/server/db/stores/sittings';
import { ownSteadiness } from '$lib/server/visits/betweenVisits';
import { sentForm } from '$lib/server/sentForm';
import { keepSettingsOf } from '$lib/server/workshop/settings';
import type { Settings } from '$lib/settings/settings';
import { mayDo } from '$lib/workshop/roles';
import type { Actions, PageServerLoad } from './$types';
import { fixed } from '$lib/ui/format';

async function progress(userId: string) {
	const all = progressOf(await sittingsOf(userId));
	return { all, ear: practisedEar(measuredEar(all)) };
}

export const load = (async ({ locals, url }) => {
	const { workshopId, userId, role } = signedInOf(locals);
	const shown = mayDo(role, 'decide') ? await shownIn(workshopId, userId) : [];
	const asked = url.searchParams.get('of');
	const of = shown.find(({ id }) => id === asked);
	if (asked && !of) error(404, { message: 'There is no such practice to see.', advice: 'It may be kept private now.' });
	const whose = of?.id ?? userId;
	const [{ all, ear }, taken, shows] = await Promise.all([progress(whose), earOf(whose), showsPractice(userId)]);
	const now = Date.now();
	const { purposes } = await settingsOf(workshopId);
	const unisons = Object.fromEntries(VISIT_PURPOSES.map((purpose) => [purpose, purposes[purpose].unison]));
	return {
		...{ progress: all, practised: ear, taken, shows, shown, of, now, proposal: proposal(all, now) },
		...{ left: measuredEar(all).left, unisons: unisons as Record<VisitPurpose, number> },
		steadiness: await ownSteadiness(workshopId, whose),
		mayDecide: mayDo(role, 'decide')
	};
}) satisfies PageServerLoad;

const one = z.object({ id: z.uuid() });
const ear = z.object({ take: z.enum(['yes', 'no']) });
const show = z.object({ shows: z.enum(['yes', 'no']) });
const UNREADABLE = { problem: 'That cannot be read.' } as const;

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
		if (!sent) return fail(400, UNREADABLE);
		const { ear: measured } = await progress(userId);
		if (sent.take === 'yes' && !measured) return fail(409, { problem: 'Both rates have to be measured first.' });
		await keepEar(userId, sent.take === 'yes' ? measured! : null);
		return { done: sent.take === 'yes' ? 'Bearing plans offer it as “as practised”.' : 'It is no longer offered.' };
	},
	/** Visits ask for no finer unisons than whoever decides has shown to reach. */
	unison: async ({ locals }) => {
		const who = signedInOf(locals);
		const { left } = measuredEar((await progress(who.userId)).all);
		if (left === undefined) return fail(409, { problem: 'Stillness has to be measured first, from A3 to G♯4.' });
		const settings = await settingsOf(who.workshopId);
		const reached = reachedUnison(left);
		const purposes = Object.fromEntries(
			VISIT_PURPOSES.map((purpose) => {
				const near = settings.purposes[purpose];
				return [purpose, { ...near, unison: Math.max(near.unison, reached) }];
			})
		) as Settings['purposes'];
		await keepSettingsOf(who, { ...settings, purposes });
		return {
			done: `Unisons of ${fixed(reached, 2)} beats a second are near enough for every visit now. Settings has them.`
		};
	},
	/** Practice is shown to those who teach in the workshop, or no longer is. */
	show: async ({ request, locals }) => {
		const sent = await sentForm(request, show);
		if (!sent) return fail(400, UNREADABLE);
		await keepShowsPractice(signedInOf(locals).userId, sent.shows === 'yes');
		return { done: sent.shows === 'yes' ? 'Technicians of the workshop can see it now.' : 'It is yours alone again.' };
	}
} satisfies Actions;
