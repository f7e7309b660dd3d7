import { transposed } from '@fendrel/core';
import { sheetQuery } from '$lib/bearing/sheet';
import { workshopOf } from '$lib/server/auth/guard';
import { temperamentOr404 } from '$lib/server/temperaments/keep';
import { loadTuning } from '$lib/server/tuning';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const workshopId = workshopOf(locals);
	const asked = Object.fromEntries(url.searchParams);
	const temperament = await temperamentOr404(workshopId, params.slug);
	const root = Number(asked.root);
	const choice = await loadTuning(workshopId, { ...asked, temperament: params.slug });
	return {
		temperament,
		root: Number.isInteger(root) && root > 0 && root < 12 ? root : 0,
		choice: { ...choice, temperament: transposed(temperament, root || 0) },
		sheet: sheetQuery.parse(asked)
	};
}) satisfies PageServerLoad;
