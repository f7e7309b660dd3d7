import { workshopOf } from '$lib/server/auth/guard';
import { getEnsemble } from '$lib/server/db/stores/ensembles';
import { ensembleGround } from '$lib/server/ensembles/ground';
import { orNotFound } from '$lib/server/find';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params }) => {
	const workshopId = workshopOf(locals);
	const [found, ground] = await Promise.all([getEnsemble(workshopId, params.id), ensembleGround(workshopId)]);
	return { ...ground, ensemble: orNotFound(found, 'ensemble') };
}) satisfies PageServerLoad;
