import { typedInto, type Key } from '$lib/ui/keys';

/** What a key does in a drill in which something is told. A page-turner pedal sends PageDown and PageUp. */
export type DrillAction = { readonly do: 'play' | 'take' | 'end' } | { readonly do: 'choose'; readonly which: number };

const END = { keys: 'Escape', does: 'end the sitting' } as const;
const LIST = { keys: '?', does: 'show or hide this list' } as const;

export const DRILL_KEYS = [
	{ keys: 'Space or PageUp', does: 'play; once more while nothing is answered (left pedal)' },
	{ keys: '1 2 3 …', does: 'which answer it is' },
	{ keys: 'PageDown', does: 'it is the one that sounds now, or sounded last (right pedal)' },
	...[END, LIST]
] as const;
export const NAMED_KEYS = [
	{ keys: 'Space', does: 'play; once more while nothing is answered' },
	{ keys: '1 2 3 …', does: 'which answer it is' },
	{ keys: 'PageDown', does: 'go to the next answer (right pedal)' },
	{ keys: 'PageUp', does: 'that is it; play while none is marked (left pedal)' },
	...[END, LIST]
] as const;

export function drillAction(key: Key): DrillAction | undefined {
	if (typedInto(key) || key.ctrlKey) return undefined;
	if (key.key === ' ' || key.key === 'PageUp') return { do: 'play' };
	if (key.key === 'PageDown') return { do: 'take' };
	if (key.key === 'Escape') return { do: 'end' };
	return /^[1-9]$/.test(key.key) ? { do: 'choose', which: Number(key.key) - 1 } : undefined;
}

/** What a key does where strings are set with the lever. */
export type LeverAction =
	| { readonly do: 'strike' | 'stands' | 'leave' | 'end' | 'blow' | 'octave' | 'inner' | 'outer' }
	| { readonly do: 'turn'; readonly by: number };

const LEVER_KEYS = [
	{ keys: 'Space or PageUp', does: 'strike (left pedal)' },
	{ keys: '↑ ↓', does: 'turn the lever; with Shift a hair, with Ctrl far' },
	{ keys: 'Enter or PageDown', does: 'it stands as it should (right pedal)' }
] as const;
export const HOLDING_KEYS = [
	...LEVER_KEYS.slice(0, 2),
	{ keys: 'B', does: 'a firm blow' },
	{ keys: 'Enter or PageDown', does: 'it holds: the next string (right pedal)' },
	...[END, LIST]
] as const;
export const SETTING_KEYS = [...LEVER_KEYS, END, LIST] as const;
export const OCTAVE_KEYS = [
	...LEVER_KEYS,
	{ keys: 'O', does: 'the octave below with the pair' },
	{ keys: 'I U', does: 'the test note with the lower note, and with the pair' },
	{ keys: 'P', does: 'the octave is pure: measure it' },
	...[END, LIST]
] as const;

export const HEARD_OCTAVE_KEYS = [
	...LEVER_KEYS.slice(0, 2),
	...OCTAVE_KEYS.slice(3, 5),
	{ keys: 'P, Enter or PageDown', does: 'the octave is pure: measure it (right pedal)' },
	...[END, LIST]
] as const;

/** What a key turns the lever by, before its gear. */
export const TURNS = { usual: 1, hair: 0.15, far: 5 } as const;
const BY_KEY: Readonly<Record<string, LeverAction>> = {
	...{ ' ': { do: 'strike' }, PageUp: { do: 'strike' }, Enter: { do: 'stands' }, PageDown: { do: 'stands' } },
	...{
		Escape: { do: 'end' },
		o: { do: 'octave' },
		i: { do: 'inner' },
		u: { do: 'outer' },
		p: { do: 'leave' },
		b: { do: 'blow' }
	}
};

export function leverAction(key: Key): LeverAction | undefined {
	if (typedInto(key)) return undefined;
	if (key.key === 'ArrowUp' || key.key === 'ArrowDown') {
		const by = key.shiftKey ? TURNS.hair : key.ctrlKey ? TURNS.far : TURNS.usual;
		return { do: 'turn', by: key.key === 'ArrowUp' ? by : -by };
	}
	return key.ctrlKey ? undefined : (BY_KEY[key.key] ?? BY_KEY[key.key.toLowerCase()]);
}

/** What the keys of a lever do on a page; what is not named here they do not do. */
export type LeverDoes = { readonly turn: (by: number) => void } & {
	readonly [Do in Exclude<LeverAction['do'], 'turn'>]?: () => void;
};

/** Does what a key asks for; one that is held down only turns. */
export function onLeverKey(event: KeyboardEvent, does: LeverDoes): void {
	const action = leverAction(event);
	if (!action) return;
	if (action.do === 'turn') {
		event.preventDefault();
		does.turn(action.by);
		return;
	}
	const deed = does[action.do];
	if (!deed) return;
	event.preventDefault();
	if (!event.repeat) deed();
}

export const COUNTING_KEYS = [
	{ keys: 'Space or PageUp', does: 'play; once more before you tap (left pedal)' },
	{ keys: 'T or PageDown', does: 'tap each beat (right pedal)' },
	{ keys: 'Enter', does: 'that is the count' },
	{ keys: 'Backspace', does: 'begin to tap anew' },
	...[END, LIST]
] as const;
export type CountingAction = 'play' | 'tap' | 'count' | 'anew' | 'end';
const COUNTING: Readonly<Record<string, CountingAction>> = {
	...{ ' ': 'play', PageUp: 'play', t: 'tap', PageDown: 'tap', Enter: 'count', Backspace: 'anew', Escape: 'end' }
};
export function countingAction(key: Key): CountingAction | undefined {
	return typedInto(key) || key.ctrlKey ? undefined : (COUNTING[key.key] ?? COUNTING[key.key.toLowerCase()]);
}

export const BEARINGS_KEYS = [
	{ keys: 'Space', does: 'strike the interval of this step' },
	{ keys: '↑ ↓', does: 'turn the lever; with Shift a hair, with Ctrl far' },
	{ keys: '1 2 3', does: 'strike what proves the step' },
	{ keys: 'Enter or PageDown', does: 'next note; after the last: have it scored (right pedal)' },
	{ keys: 'PageUp', does: 'the note before (left pedal)' },
	LIST
] as const;
export type BearingsAction =
	| { readonly do: 'strike' | 'next' | 'back' }
	| { readonly do: 'turn'; readonly by: number }
	| { readonly do: 'check'; readonly which: number };

export function bearingsAction(key: Key): BearingsAction | undefined {
	if (key.key === 'PageUp' && !typedInto(key)) return { do: 'back' };
	if (/^[1-9]$/.test(key.key) && !typedInto(key)) return { do: 'check', which: Number(key.key) - 1 };
	const action = leverAction(key);
	if (action?.do === 'turn' || action?.do === 'strike') return action as BearingsAction;
	return action?.do === 'stands' ? { do: 'next' } : undefined;
}
