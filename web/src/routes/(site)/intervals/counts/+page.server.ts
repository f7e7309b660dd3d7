import { isCountable } from '$lib/counts/countedOctave';
import { workshopOf } from '$lib/server/auth/guard';
import { getCountedOctave, listCountedOctaves } from '$lib/server/db/stores/countedOctaves';
import { instrumentNames } from '$lib/server/db/stores/instruments';
import { orNotFound } from '$lib/server/find';
import { loadTuning } from '$lib/server/tuning/choice';
import { loadListened } from '$lib/server/tuning/listened';
import { octavesOf, orTypical } from '$lib/tuning/choice';
import type { PageServerLoad } from './$types';

export const load = (async ({ locals, url }) => {
	const workshopId = workshopOf(locals);
	const asked = Object.fromEntries(url.searchParams);
	const kept = asked.kept ? orNotFound(await getCountedOctave(workshopId, asked.kept), 'counted octave') : undefined;
	// An octave that no board can be laid out for costs itself, not the page.
	const usable = kept && isCountable(kept.low) ? kept : undefined;
	const asKept = await loadTuning(workshopId, asked);
	const { choice, standsInFor } = orTypical(asKept, (compass) => octavesOf(compass).length > 0);
	const earlier = await listCountedOctaves(workshopId);
	const names = await instrumentNames(
		workshopId,
		earlier.flatMap(({ instrumentId }) => instrumentId ?? [])
	);
	return {
		choice,
		listened: await loadListened(workshopId, choice),
		standsInFor,
		kept: usable && {
			id: usable.id,
			low: usable.low,
			reference: usable.reference,
			ear: usable.ear,
			counts: usable.counts
		},
		unusable: kept !== undefined && !usable,
		earlier: earlier.map((each) => ({
			id: each.id,
			countedAt: each.countedAt,
			instrumentId: each.instrumentId,
			instrument: each.instrumentId ? names.get(each.instrumentId) : undefined,
			kind: each.kind,
			temperament: choice.temperaments.find(({ id }) => id === each.temperamentId)?.slug ?? 'equal',
			a4: each.a4,
			stretch: each.stretch,
			verdict: each.verdict
		}))
	};
}) satisfies PageServerLoad;
