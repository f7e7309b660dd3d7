import { error } from '@sveltejs/kit';
import { signedInHere } from '$lib/device/owner';
import { openVisit } from '$lib/visit/opening';
import type { LayoutLoad } from './$types';

/** A visit's pages are made on the device, from what it holds: they open without the server. */
export const ssr = false;

export const load = (async ({ params }) => {
	const open = await openVisit(params.id);
	if (!('record' in open)) error(open.status, { message: open.message, advice: open.advice });
	return { open, signedIn: await signedInHere() };
}) satisfies LayoutLoad;
