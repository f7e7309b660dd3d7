import { typedInto, type Key } from '$lib/ui/keys';

/** What a key does in Sound. A page-turner pedal sends PageDown and PageUp. */
export interface SoundAction {
	readonly do: 'next' | 'previous' | 'skip' | 'strike' | 'one' | 'open' | 'listen';
}

export const SOUND_KEYS = [
	{ keys: 'Enter or PageDown', does: 'next note (right pedal)' },
	{ keys: 'PageUp', does: 'note before (left pedal)' },
	{ keys: 'S', does: 'leave the note to its neighbours' },
	{ keys: '1 0', does: 'one string unmuted; 0: all of them' },
	{ keys: 'L', does: 'listen or stop' },
	{ keys: 'Space', does: 'strike the simulated instrument' },
	{ keys: '?', does: 'show or hide this list' }
] as const;

const PLAIN: Record<string, SoundAction> = {
	Enter: { do: 'next' },
	PageDown: { do: 'next' },
	PageUp: { do: 'previous' },
	' ': { do: 'strike' },
	'1': { do: 'one' },
	'0': { do: 'open' },
	s: { do: 'skip' },
	l: { do: 'listen' }
};

/** @returns undefined when the key belongs to what has the focus, or means nothing here */
export function soundKeyAction(key: Key): SoundAction | undefined {
	if (typedInto(key) || key.ctrlKey || key.shiftKey) return undefined;
	return PLAIN[key.key] ?? PLAIN[key.key.toLowerCase()];
}
