import { writeFor } from '$lib/ui/writing';
import type { PageLoad } from './$types';

/** It listens, and so is made in the browser; as the workshop writes. */
export const ssr = false;

export const load: PageLoad = ({ data: { asked } }) => {
	writeFor(() => asked.writing);
	return { asked };
};
