import { keyboardOnly } from '$lib/visit/opening';
import type { PageLoad } from './$types';

export const load = (async ({ parent }) => ({ open: keyboardOnly((await parent()).open) })) satisfies PageLoad;
