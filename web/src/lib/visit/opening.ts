import { connection } from '$lib/device/connection.svelte';
import { isKeyboardBook, isReedBook, withTimes, type VisitBundle } from '$lib/device/books';
import { askWhoIsHere, signedInHere } from '$lib/device/owner';
import { heldVisit, keepVisit, remembered, type HeldVisit } from '$lib/device/shelf';
import { KeyboardVisit } from './keyboardVisit.svelte';
import { error } from '@sveltejs/kit';
import { ReedVisit } from './reedVisit.svelte';

/** Why a visit does not open. */
export type Unopened = { readonly status: number; readonly message: string; readonly advice?: string };

/** A visit as the family of its instrument works on it. */
function visitOn({ about, ...held }: HeldVisit, stale: boolean): KeyboardVisit | ReedVisit {
	if (isKeyboardBook(about)) return new KeyboardVisit({ ...held, about }, stale);
	if (isReedBook(about)) return new ReedVisit({ ...held, about }, stale);
	throw new RangeError(`visitOn: no family knows ${about.instrument.kind}`);
}

/** For pages that only keyboards have. */
export function keyboardOnly(open: KeyboardVisit | ReedVisit): KeyboardVisit {
	return open instanceof KeyboardVisit
		? open
		: error(404, { message: 'Free reeds have no such page.', advice: 'Go on with the visit’s own stages.' });
}

/** For pages that only free reeds have. */
export function reedsOnly(open: KeyboardVisit | ReedVisit): ReedVisit {
	return open instanceof ReedVisit
		? open
		: error(404, { message: 'A keyboard has no such page.', advice: 'Go on with the visit’s own stages.' });
}

/** Opens a visit: from the device where that holds it, else from the server. */
export async function openVisit(id: string): Promise<KeyboardVisit | ReedVisit | Unopened> {
	if (!(await signedInHere())) await askWhoIsHere();
	const held = await heldVisit(id).catch(() => undefined);
	if (held) return visitOn(held, true);
	const answer = await connection.ask<VisitBundle>(`/api/visits/${id}/bundle`);
	if (answer.kind === 'told') {
		const { visit, about } = answer.body;
		const visitOpened = visitOn({ visit, about: withTimes(about), happened: await remembered(visit.id) }, false);
		if (visit.id !== id) visitOpened.continued = visit.id;
		visitOpened.kept = await keepVisit({ visit, about: visitOpened.about }, true);
		return visitOpened;
	}
	if (answer.kind === 'refused')
		return { status: answer.status, message: answer.message ?? 'There is no such visit in your workshop.' };
	if (answer.kind === 'signed out')
		return { status: 401, message: 'You are signed out.', advice: 'Sign in again. What is waiting here stays.' };
	return {
		status: 503,
		message: 'The server does not answer, and this visit was not opened on this device before.',
		advice: 'Visits that have been opened here can be continued. They are listed under On this device.'
	};
}
