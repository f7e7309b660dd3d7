import { workshopOf } from '$lib/server/auth/guard';
import { ensembleGround } from '$lib/server/ensembles/ground';
import type { PageServerLoad } from './$types';

export const load = (({ locals }) => ensembleGround(workshopOf(locals))) satisfies PageServerLoad;
