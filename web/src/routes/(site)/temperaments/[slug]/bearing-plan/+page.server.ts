import { transposed } from '@fendrel/core';
import { octavesWithin, sheetQuery } from '$lib/bearing/sheet';
import { workshopOf } from '$lib/server/auth/guard';
import { temperamentOr404 } from '$lib/server/find';
import { loadTuning } from '$lib/server/tuning/choice';
import { loadListened } from '$lib/server/tuning/listened';
import { orTypical } from '$lib/tuning/choice';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const workshopId = workshopOf(locals);
	const asked = Object.fromEntries(url.searchParams);
	const temperament = await temperamentOr404(workshopId, params.slug);
	const { root, ...sheet } = sheetQuery.parse(asked);
	const asAsked = await loadTuning(workshopId, { ...asked, temperament: params.slug });
	const { choice, standsInFor } = orTypical(asAsked, (compass) => octavesWithin(compass).length > 0);
	return {
		temperament,
		root,
		choice: { ...choice, temperament: transposed(temperament, root) },
		listened: await loadListened(workshopId, choice),
		standsInFor,
		sheet
	};
}) satisfies PageServerLoad;
