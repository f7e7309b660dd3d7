import { error } from '@sveltejs/kit';
import type { SignedIn } from './session';

/** Who is signed in; handle has already sent everyone else away. */
export function signedInOf(locals: App.Locals): SignedIn {
	if (!locals.signedIn) error(401, { message: 'You are signed out.', advice: 'Sign in again to go on.' });
	return locals.signedIn;
}

export function workshopOf(locals: App.Locals): string {
	return signedInOf(locals).workshopId;
}
