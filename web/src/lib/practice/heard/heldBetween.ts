import type { HoldingBegun } from './heardHolding.svelte';

/*
 * Strings that were left to be read again, on this device: ten minutes are long, and a page may be closed meanwhile.
 */

const KEY = 'fendrel.holding';
/** After so many milliseconds strings have moved for other reasons. */
const TOO_LATE = 4 * 3_600_000;

interface Kept extends HoldingBegun {
	/** Whose they are, and on what. */
	readonly of: string;
}

const NOTHING: HoldingBegun = { left: [], trials: [] };

/** What was begun and is not over. @param of whose, and on what */
export function begunHere(of: string, now: number): HoldingBegun {
	try {
		const kept = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Kept | null;
		if (kept?.of !== of || kept.left.some(({ at }) => now - at > TOO_LATE)) return NOTHING;
		return { left: kept.left, trials: kept.trials };
	} catch {
		return NOTHING;
	}
}

export function keepBegun(of: string, begun: HoldingBegun): void {
	try {
		localStorage.setItem(KEY, JSON.stringify({ of, ...begun } satisfies Kept));
	} catch {
		// A browser that keeps nothing: it lasts as long as the page.
	}
}

export function forgetBegun(): void {
	globalThis.localStorage?.removeItem(KEY);
}
