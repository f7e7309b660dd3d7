import { goto } from '$app/navigation';
import { navigating, page } from '$app/state';

/** What was asked for last, while the page for it is still on its way. */
let wanted: URLSearchParams | undefined;

/**
 * Changes words of the page's address and loads what they ask for. A second change before the first has
 * arrived adds to it: nobody who is quick loses a choice. `undefined` takes a word out.
 */
export async function ask(change: Readonly<Record<string, string | number | undefined>>): Promise<void> {
	const words = new URLSearchParams(wanted ?? page.url.searchParams);
	for (const [word, value] of Object.entries(change))
		if (value === undefined) words.delete(word);
		else words.set(word, String(value));
	wanted = words;
	try {
		// eslint-disable-next-line svelte/no-navigation-without-resolve -- the page's own address, whatever it is
		await goto(`?${words}`, { keepFocus: true, noScroll: true, replaceState: true });
	} catch {
		// Superseded by the next change, or by leaving the page.
	} finally {
		if (wanted === words) wanted = undefined;
	}
}

/** Typing pauses so long before what is typed is asked for. */
const PAUSE_MS = 200;
let waits: ReturnType<typeof setTimeout> | undefined;

/** The same for a word that is being typed: asked for when the hand rests. */
export function askSoon(change: Readonly<Record<string, string | undefined>>): void {
	clearTimeout(waits);
	const { pathname } = page.url;
	waits = setTimeout(() => {
		// Who has left meanwhile, or is just leaving, looks for nothing any more.
		const to = navigating.to?.url ?? page.url;
		if (to.pathname === pathname) void ask(change);
	}, PAUSE_MS);
}
