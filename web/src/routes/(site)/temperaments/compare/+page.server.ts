import { workshopOf } from '$lib/server/auth/guard';
import { listTemperaments } from '$lib/server/db/stores/temperaments';
import type { PageServerLoad } from './$types';

/** So many stand side by side. */
const MOST = 3;

export const load = (async ({ locals, url }) => {
	const all = await listTemperaments(workshopOf(locals));
	const slugs = new Set((url.searchParams.get('with') ?? '').split(','));
	return {
		most: MOST,
		compared: [...slugs].flatMap((slug) => all.find((each) => each.slug === slug) ?? []).slice(0, MOST),
		choices: all.map(({ slug, name, own, family }) => ({ slug, name, own, family }))
	};
}) satisfies PageServerLoad;
