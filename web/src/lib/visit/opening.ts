import { isTied } from '@fendrel/core';
import { error } from '@sveltejs/kit';
import { connection } from '$lib/device/connection.svelte';
import { isFretBook, isKeyboardBook, isReedBook, withTimes, type VisitBundle } from '$lib/device/books';
import { askWhoIsHere, signedInHere } from '$lib/device/owner';
import { heldVisit, keepVisit, remembered, type HeldVisit } from '$lib/device/shelf';
import { FretVisit } from './fretVisit.svelte';
import { GuitarVisit } from './guitarVisit.svelte';
import { KeyboardVisit } from './keyboardVisit.svelte';
import { ReedVisit } from './reedVisit.svelte';

/** Why a visit does not open. */
export type Unopened = { readonly status: number; readonly message: string; readonly advice?: string };
/** A visit as the family of its instrument works on it. */
export type FamilyVisit = KeyboardVisit | ReedVisit | FretVisit | GuitarVisit;

function visitOn({ about, ...held }: HeldVisit, stale: boolean): FamilyVisit {
	if (isKeyboardBook(about)) return new KeyboardVisit({ ...held, about }, stale);
	if (isReedBook(about)) return new ReedVisit({ ...held, about }, stale);
	if (isFretBook(about)) {
		const Neck = isTied(about.instrument.neck) ? FretVisit : GuitarVisit;
		return new Neck({ ...held, about }, stale);
	}
	throw new RangeError(`visitOn: no family knows ${about.instrument.kind}`);
}

/** For pages that only one family has. @throws 404 */
function only<Of extends FamilyVisit>(open: FamilyVisit, family: abstract new (...told: never[]) => Of): Of {
	return open instanceof family
		? open
		: error(404, { message: 'This instrument has no such page.', advice: 'Go on with the visit’s own stages.' });
}
export const keyboardOnly = (open: FamilyVisit): KeyboardVisit => only(open, KeyboardVisit);
export const notKeyboard = (open: FamilyVisit): ReedVisit | FretVisit | GuitarVisit =>
	open instanceof FretVisit || open instanceof GuitarVisit ? open : only(open, ReedVisit);
export const guitarsOnly = (open: FamilyVisit): GuitarVisit => only(open, GuitarVisit);
export const reedsOnly = (open: FamilyVisit): ReedVisit => only(open, ReedVisit);

/** Opens a visit: from the device where that holds it, else from the server. */
export async function openVisit(id: string): Promise<FamilyVisit | Unopened> {
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
