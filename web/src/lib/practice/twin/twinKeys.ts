import { typedInto, type Key } from '$lib/ui/keys';

/** The letters of two rows as a keyboard, by semitones above its C. */
export const LETTERS = 'awsedftgyhujkolp';
export const KEYS_SPAN = LETTERS.length;

export type TwinAction =
	| { readonly do: 'note'; readonly up: number }
	| { readonly do: 'octave'; readonly by: -1 | 1 }
	| { readonly do: 'switch' };

export const TWIN_KEYS = [
	{ keys: 'A to P', does: 'play: the middle row is the white keys from C, the row above the black ones' },
	{ keys: '← →', does: 'an octave lower, higher' },
	{ keys: 'Space or PageDown', does: 'the other state (right pedal)' },
	{ keys: '?', does: 'show or hide this list' }
] as const;

export function twinAction(key: Key): TwinAction | undefined {
	if (typedInto(key) || key.ctrlKey) return undefined;
	if (key.key === ' ' || key.key === 'PageDown') return { do: 'switch' };
	if (key.key === 'ArrowLeft') return { do: 'octave', by: -1 };
	if (key.key === 'ArrowRight') return { do: 'octave', by: 1 };
	const up = key.key.length === 1 ? LETTERS.indexOf(key.key.toLowerCase()) : -1;
	return up >= 0 ? { do: 'note', up } : undefined;
}
