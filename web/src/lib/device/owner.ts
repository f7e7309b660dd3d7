import { connection } from './connection.svelte';
import { DAY_KEY, deviceStore, type Owner } from './store';

const ME = 'me';
let me: Owner | undefined;
let told = false;

/** Who is signed in, as the server said last; the device remembers it for when there is no server. */
export async function signedInHere(): Promise<Owner | undefined> {
	if (told) return me;
	const store = await deviceStore();
	me = (await store?.get('shared', ME).catch(() => undefined)) as Owner | undefined;
	told = true;
	return me;
}

/** Asks the server who is signed in, and remembers it. */
export async function askWhoIsHere(): Promise<Owner | undefined> {
	const answer = await connection.ask<Owner>('/api/me');
	if (answer.kind === 'told') await nowSignedIn(answer.body);
	return me;
}

/** As far as this window knows already. */
export const ownerNow = (): Owner | undefined => me;

/** The server has said who is signed in. Books of somebody else leave the device; what waits stays. */
export async function nowSignedIn(owner: Owner): Promise<void> {
	me = owner;
	told = true;
	const store = await deviceStore();
	if (!store) return;
	const before = (await store.get('shared', ME)) as Owner | undefined;
	if (before && JSON.stringify(before) === JSON.stringify(owner)) return;
	if (before && before.userId !== owner.userId) await forgetBooks();
	await store.put('shared', owner, ME);
}

/** Signing out leaves nothing on the device but what was not handed over yet. */
export async function signedOutHere(): Promise<void> {
	me = undefined;
	told = true;
	const store = await deviceStore();
	await store?.delete('shared', ME);
	await store?.delete('shared', DAY_KEY);
	await forgetBooks();
}

async function forgetBooks(): Promise<void> {
	const store = await deviceStore();
	if (!store) return;
	const change = store.transaction(['visits', 'instruments', 'happened', 'attachments'], 'readwrite');
	const attachments = change.objectStore('attachments');
	// What was not handed over yet stays.
	for (const { id, state } of await attachments.getAll()) if (state === 'sent') await attachments.delete(id);
	await Promise.all([
		change.objectStore('visits').clear(),
		change.objectStore('instruments').clear(),
		change.objectStore('happened').clear(),
		change.done
	]);
}
