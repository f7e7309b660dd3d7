import { transposed } from '@fendrel/core';
import { octavesWithin, sheetQuery } from '$lib/bearing/sheet';
import { signedInOf } from '$lib/server/auth/guard';
import { earOf } from '$lib/server/db/stores/sittings';
import { temperamentOr404 } from '$lib/server/find';
import { loadTuning } from '$lib/server/tuning/choice';
import { loadListened } from '$lib/server/tuning/listened';
import { orTypical } from '$lib/tuning/choice';
import { EARS, PRACTISED } from '$lib/tuning/ears';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, params, url }) => {
	const { workshopId, userId } = signedInOf(locals);
	const mine = await earOf(userId);
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
		mine,
		ear: sheet.ear !== PRACTISED ? EARS[sheet.ear] : (mine ?? EARS.careful),
		sheet: sheet.ear === PRACTISED && !mine ? { ...sheet, ear: 'careful' as const } : sheet
	};
}) satisfies PageServerLoad;
