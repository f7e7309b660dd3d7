import { guitarsOnly } from '$lib/visit/opening';
import type { PageLoad } from './$types';

export const load = (async ({ parent }) => ({ open: guitarsOnly((await parent()).open) })) satisfies PageLoad;
