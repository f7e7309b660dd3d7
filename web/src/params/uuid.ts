import type { ParamMatcher } from '@sveltejs/kit';
import { validate } from 'uuid';

/** The number of something that is stored. */
export const match = validate satisfies ParamMatcher;
