import { error } from '@sveltejs/kit';
import { signedInHere } from '$lib/device/owner';
import { openVisit } from '$lib/visit/opening';
import { USUAL_WRITING, writeFor } from '$lib/ui/writing';
import type { LayoutLoad } from './$types';

/** A visit's pages are made on the device, from what it holds: they open without the server. */
export const ssr = false;

export const load = (async ({ params }) => {
	const open = await openVisit(params.id);
	if (!('record' in open)) error(open.status, { message: open.message, advice: open.advice });
	const signedIn = await signedInHere();
	writeFor(() => signedIn?.writing ?? USUAL_WRITING);
	return { open, signedIn };
}) satisfies LayoutLoad;
