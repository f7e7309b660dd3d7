import { signedInHere } from '$lib/device/owner';
import type { LayoutLoad } from './$types';

/** What the device holds is shown without the server. */
export const ssr = false;

export const load = (async () => ({ signedIn: await signedInHere() })) satisfies LayoutLoad;
