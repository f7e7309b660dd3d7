import { typedInto, type Key } from '$lib/ui/keys';

/** What a key does in Set. A page-turner pedal sends PageDown and PageUp. */
export interface SetAction {
	readonly do:
		| 'next'
		| 'previous'
		| 'keep'
		| 'later'
		| 'pair'
		| 'strike'
		| 'turn'
		| 'strings'
		| 'listen'
		| 'heard'
		| 'lock'
		| 'find'
		| 'large'
		| 'fault'
		| 'time'
		| 'view'
		| 'partial'
		| 'playPartial';
	readonly by?: number;
	readonly key?: string;
}

export const SET_KEYS = [
	{ keys: 'Enter or PageDown', does: 'next note (right pedal)' },
	{ keys: 'PageUp', does: 'note before (left pedal)' },
	{ keys: 'Shift Enter', does: 'keep the note as it stands and go on' },
	{ keys: 'P', does: 'the pair method: two strings as their own ruler; once more: one string' },
	{ keys: 'E', does: 'a unison that will not come clean: at the end' },
	{ keys: '1 2 3 0', does: 'which string is left unmuted; 0: all of them' },
	{ keys: 'K', does: 'keep the due note, whatever else is struck' },
	{ keys: 'N', does: 'go to a note by its name' },
	{ keys: 'F', does: 'figures as large as the screen, and back' },
	{ keys: 'X', does: 'something is wrong with the due note: a fault, or its string broke' },
	{ keys: 'T', does: 'the time that is left, and what is played' },
	{ keys: 'G', does: 'go to the note that was heard instead' },
	{ keys: 'L', does: 'listen or stop' },
	{ keys: 'V', does: 'what stands beside: by ear, unison, partials' },
	{ keys: '← →', does: 'which partial of the last strike' },
	{ keys: 'H', does: 'hear that partial alone, then in the whole' },
	{ keys: 'Space', does: 'strike the simulated instrument' },
	{ keys: '↑ ↓', does: 'its lever, 1 cent; with Shift 0.2, with Ctrl 5' },
	{ keys: 'Ctrl Z', does: 'take back what was done last; with Shift: take it up again' },
	{ keys: '?', does: 'show or hide this list' }
] as const;

const PLAIN: Record<string, SetAction> = {
	Enter: { do: 'next' },
	PageDown: { do: 'next' },
	PageUp: { do: 'previous' },
	' ': { do: 'strike' },
	e: { do: 'later' },
	p: { do: 'pair' },
	l: { do: 'listen' },
	g: { do: 'heard' },
	k: { do: 'lock' },
	n: { do: 'find' },
	f: { do: 'large' },
	x: { do: 'fault' },
	t: { do: 'time' },
	v: { do: 'view' },
	h: { do: 'playPartial' },
	ArrowLeft: { do: 'partial', by: -1 },
	ArrowRight: { do: 'partial', by: 1 }
};

/** @returns undefined when the key belongs to what has the focus, or means nothing here */
export function setKeyAction(pressed: Key): SetAction | undefined {
	if (typedInto(pressed)) return undefined;
	const { key, shiftKey, ctrlKey } = pressed;
	if (key === 'ArrowUp' || key === 'ArrowDown') {
		const size = shiftKey ? 0.2 : ctrlKey ? 5 : 1;
		return { do: 'turn', by: key === 'ArrowUp' ? size : -size };
	}
	if (ctrlKey) return undefined;
	if (shiftKey) return key === 'Enter' ? { do: 'keep' } : undefined;
	if (/^[0-3]$/.test(key)) return { do: 'strings', key };
	return PLAIN[key] ?? PLAIN[key.toLowerCase()];
}
