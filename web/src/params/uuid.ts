import type { ParamMatcher } from '@sveltejs/kit';

/** The number of something that is stored. */
export const match = ((text) => /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i.test(text)) satisfies ParamMatcher;
