import { paceOf, USUAL_HABITS } from '@fendrel/core';
import { workshopOf } from '$lib/server/auth/guard';
import { habitsOf, settingsOf } from '$lib/server/db/stores/accounts';
import { pastVisits } from '$lib/server/db/stores/visits';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals }) => {
	const workshopId = workshopOf(locals);
	const [settings, habits, past] = await Promise.all([
		settingsOf(workshopId),
		habitsOf(workshopId),
		pastVisits(workshopId)
	]);
	return { settings, habits: habits ?? USUAL_HABITS, pace: paceOf(past, settings.minutes) };
}) satisfies PageServerLoad;
