import { notKeyboard } from '$lib/visit/opening';
import type { PageLoad } from './$types';

export const load = (async ({ parent }) => ({ open: notKeyboard((await parent()).open) })) satisfies PageLoad;
