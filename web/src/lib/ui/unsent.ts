/*
 * A form that was sent after its session had ended: it is kept in this window, and goes out once the same person has signed
 * in again.
 */

const KEY = 'fendrel.unsent';

interface Unsent {
	readonly path: string;
	readonly userId: string;
	readonly fields: Readonly<Record<string, unknown>>;
}

/** Whether an answer sends to the sign-in page. */
export function isSignedOut(result: { readonly type: string; readonly location?: string }): boolean {
	return result.type === 'redirect' && /^\/signin(\?|$)/.test(result.location ?? '');
}

export function keepUnsent(unsent: Unsent): void {
	try {
		sessionStorage.setItem(KEY, JSON.stringify(unsent));
	} catch {
		// A window that keeps nothing: the form has to be filled again.
	}
}

export function hasUnsent(): boolean {
	return typeof sessionStorage !== 'undefined' && sessionStorage.getItem(KEY) !== null;
}

/** What was kept of the form at this address, once; somebody else's is thrown away. */
export function takeUnsent(path: string, userId: string): Unsent['fields'] | undefined {
	const text = sessionStorage.getItem(KEY);
	if (text === null) return undefined;
	const kept = JSON.parse(text) as Unsent;
	if (kept.path !== path && kept.userId === userId) return undefined;
	sessionStorage.removeItem(KEY);
	return kept.userId === userId ? kept.fields : undefined;
}
