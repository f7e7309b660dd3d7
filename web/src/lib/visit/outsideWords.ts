import { flatOrSharp, listed } from '$lib/ui/format';

/** So many are named one by one. */
const NAMED = 4;

/** What lies outside, the furthest first: "Blow 5 (3.2 cents flat), Draw 2 (1.4 cents sharp) and 3 more". */
export function outsideWords(outside: readonly { readonly name: string; readonly off?: number }[]): string {
	const all = [...outside].sort((a, b) => Math.abs(b.off!) - Math.abs(a.off!));
	const named = all.slice(0, NAMED).map(({ name, off }) => `${name} (${flatOrSharp(off!)})`);
	return listed(all.length > NAMED ? [...named, `${all.length - NAMED} more`] : named);
}
