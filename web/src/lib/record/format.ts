/*
 * Every item that is handed over carries the number of its format. The server takes the present one and the one before;
 * what they hold stands in record.ts and formerRecord.ts.
 */
export const FORMAT = 2;
export const FORMER_FORMAT = 1;

/** What became of each item, in the order in which they were sent. */
export type Answer =
	| { readonly id: string; readonly answer: 'stored' | 'there' }
	| { readonly id: string; readonly answer: 'refused'; readonly why: string };

interface Told {
	readonly id?: unknown;
	readonly kind?: unknown;
	readonly reading?: { readonly id?: unknown };
	readonly act?: { readonly id?: unknown; readonly do?: unknown };
	readonly begin?: { readonly id?: unknown };
}

/** The id of whatever was sent, readable or not. */
export function idOf(sent: unknown): string {
	const of = sent as Told | null;
	const id = of?.reading?.id ?? of?.act?.id ?? of?.begin?.id ?? of?.id;
	return typeof id === 'string' ? id : '';
}

/** What the lever moved earlier and later, as one: of each group the later. */
export function joined(earlier: unknown, later: unknown): unknown {
	const moved = { ...(earlier as { moved?: object }).moved, ...(later as { moved?: object }).moved };
	return { ...(later as object), moved };
}

/** Whether something says a state, not what happened: a later one is joined to it. */
export function isState(item: unknown): boolean {
	return ((item ?? {}) as Told).kind === 'pins';
}

/** Whether something is worth a word while it waits: a reading or what was done with one, not where the work stands. */
export function isEntry(item: unknown): boolean {
	const { kind, act } = (item ?? {}) as Told;
	return kind === 'reading' || kind === 'begin' || (kind === 'act' && act?.do !== 'place' && act?.do !== 'stage');
}
