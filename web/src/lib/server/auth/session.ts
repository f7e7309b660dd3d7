import { createHash, randomBytes } from 'node:crypto';
import type { Cookies } from '@sveltejs/kit';
import type { Role } from '$lib/workshop/roles';
import { USUAL_WRITING, type Writing } from '$lib/ui/writing';
import { endSession, prolongSession, saveSession, sessionByToken } from '../db/stores/accounts';
import { rememberDevice } from '../db/stores/knownDevices';

/** Who is at work, as pages may know it. */
export interface SignedIn {
	readonly userId: string;
	readonly name: string;
	readonly workshopId: string;
	readonly workshop: string;
	readonly demo: boolean;
	/** How figures, notes and days are written for it. */
	readonly writing: Writing;
	readonly role: Role;
	/** What a guest may see, by their ids; undefined: all. */
	readonly places: readonly string[] | undefined;
}

/** In which workshop somebody does something. */
export type Who = Pick<SignedIn, 'workshopId' | 'userId'>;

const COOKIE = 'fendrel_session';
const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const LASTS = 30 * DAY;

/** Only this digest is stored: who reads the database cannot sign in with it. */
export const digest = (token: string) => createHash('sha256').update(token).digest('hex');

function setCookie(cookies: Cookies, token: string, url: URL, expires: Date): void {
	cookies.set(COOKIE, token, {
		path: '/',
		httpOnly: true,
		sameSite: 'lax',
		secure: url.protocol === 'https:',
		expires
	});
}

/** @param agent what the browser calls itself */
export async function startSession(cookies: Cookies, url: URL, userId: string, agent: string | null): Promise<void> {
	// Who signs in anew leaves the old session behind: nothing is left open under another name.
	const old = cookies.get(COOKIE);
	if (old) await endSession(digest(old));
	const token = randomBytes(32).toString('base64url');
	const expires = new Date(Date.now() + LASTS);
	await saveSession(digest(token), userId, expires, deviceName(agent ?? ''));
	setCookie(cookies, token, url, expires);
}

const BROWSERS = [
	[/Edg\//, 'Edge'],
	[/Firefox\//, 'Firefox'],
	[/Chrome\//, 'Chrome'],
	[/Safari\//, 'Safari']
] as const;
const SYSTEMS = [
	[/Android/, 'Android'],
	[/iPhone|iPad/, 'iPhone or iPad'],
	[/Windows/, 'Windows'],
	[/Mac OS X/, 'macOS'],
	[/Linux/, 'Linux']
] as const;

/** "Firefox on Linux". */
export function deviceName(agent: string): string {
	const first = (of: readonly (readonly [RegExp, string])[]) => of.find(([mark]) => mark.test(agent))?.[1];
	const [browser, system] = [first(BROWSERS) ?? 'A browser', first(SYSTEMS)];
	return system ? `${browser} on ${system}` : browser;
}

const DEVICE_COOKIE = 'fendrel_device';
const DEVICE_LASTS = 400 * DAY;

/** Digest of what this device was given when somebody signed in on it. */
export function deviceOf(cookies: Cookies): string | undefined {
	const token = cookies.get(DEVICE_COOKIE);
	return token && digest(token);
}

/** From now on this device is known for an account: whoever tries its password elsewhere does not slow it down here. */
export async function knowDevice(cookies: Cookies, url: URL, userId: string): Promise<void> {
	const token = cookies.get(DEVICE_COOKIE) ?? randomBytes(32).toString('base64url');
	await rememberDevice(digest(token), userId);
	cookies.set(DEVICE_COOKIE, token, {
		...{ path: '/', httpOnly: true, sameSite: 'strict', secure: url.protocol === 'https:' },
		expires: new Date(Date.now() + DEVICE_LASTS)
	});
}

/** Which session this is, as it is stored. */
export function sessionOf(cookies: Cookies): string | undefined {
	const token = cookies.get(COOKIE);
	return token && digest(token);
}

/** Who holds the cookie; a session in use is prolonged. */
export async function readSession(cookies: Cookies, url: URL): Promise<SignedIn | undefined> {
	const token = cookies.get(COOKIE);
	if (!token) return undefined;
	const found = await sessionByToken(digest(token));
	if (!found) {
		cookies.delete(COOKIE, { path: '/' });
		return undefined;
	}
	// When it was used last is known to the hour.
	if (Date.now() - (found.lastAt?.getTime() ?? 0) > HOUR) {
		const expires = new Date(Date.now() + LASTS);
		await prolongSession(digest(token), expires);
		setCookie(cookies, token, url, expires);
	}
	const { user, workshop, places } = found;
	const { id: userId, name, role } = user;
	const writing = { ...USUAL_WRITING, ...workshop.settings?.writing };
	return { userId, name, role, places, workshopId: workshop.id, workshop: workshop.name, demo: workshop.demo, writing };
}

export async function stopSession(cookies: Cookies): Promise<void> {
	const token = cookies.get(COOKIE);
	if (token) await endSession(digest(token));
	cookies.delete(COOKIE, { path: '/' });
}
