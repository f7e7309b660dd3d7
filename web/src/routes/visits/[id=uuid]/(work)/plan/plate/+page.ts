import { reedsOnly } from '$lib/visit/opening';
import type { PageLoad } from './$types';

export const load = (async ({ parent }) => ({ open: reedsOnly((await parent()).open) })) satisfies PageLoad;
