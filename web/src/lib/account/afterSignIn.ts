/** Round; of a guest, the instruments. */
const HOME = '/';

/**
 * Where to go after sign-in: an address of this application, with its query; anything else is the home page. The URL
 * parser decides, as the browser will: tabs, newlines and backslashes in an address mean other things than they seem to.
 */
export function afterSignIn(next: string | null, base: URL): string {
	if (!next?.startsWith('/')) return HOME;
	// Twice: what comes out of a path like "/..//" is read once more, by the browser.
	const path = pathOf(next, base);
	return path !== undefined && pathOf(path, base) === path ? path : HOME;
}

function pathOf(text: string, base: URL): string | undefined {
	try {
		const { origin, pathname, search, hash } = new URL(text, base.origin);
		return origin === base.origin ? pathname + search + hash : undefined;
	} catch {
		return undefined;
	}
}
