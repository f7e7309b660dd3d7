import { workshopOf } from '$lib/server/auth/guard';
import { listEnsembles } from '$lib/server/db/stores/ensembles';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals }) => ({
	ensembles: (await listEnsembles(workshopOf(locals))).map(({ id, name, members }) => ({
		...{ id, name },
		members: members.map((member) => member.name)
	}))
})) satisfies PageServerLoad;
