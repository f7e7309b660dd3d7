import { typedInto, type Key } from '$lib/ui/keys';

/** What a key does in a drill. A page-turner pedal sends PageDown and PageUp. */
export type DrillAction = { readonly do: 'play' | 'take' | 'end' } | { readonly do: 'choose'; readonly which: number };

export const DRILL_KEYS = [
	{ keys: 'Space or PageUp', does: 'play; once more while nothing is answered (left pedal)' },
	{ keys: '1 2 3', does: 'which one it is' },
	{ keys: 'PageDown', does: 'it is the one that sounds now, or sounded last (right pedal)' },
	{ keys: 'Escape', does: 'end the sitting' },
	{ keys: '?', does: 'show or hide this list' }
] as const;

export function drillAction(key: Key): DrillAction | undefined {
	if (typedInto(key) || key.ctrlKey) return undefined;
	if (key.key === ' ' || key.key === 'PageUp') return { do: 'play' };
	if (key.key === 'PageDown') return { do: 'take' };
	if (key.key === 'Escape') return { do: 'end' };
	return /^[1-9]$/.test(key.key) ? { do: 'choose', which: Number(key.key) - 1 } : undefined;
}
