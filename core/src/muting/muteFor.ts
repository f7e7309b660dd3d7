/** Strings of a note, as they lie. */
export type StringPlace = 'left' | 'middle' | 'right';

/**
 * What silences the other strings of one note, in words: where the wedge goes.
 * @param strings of the note
 * @param open the one that speaks; 'all' where nothing is muted
 */
export function muteFor(strings: number, open: StringPlace | 'all'): string {
	if (strings === 1) return 'One string: nothing to mute.';
	if (open === 'all') return 'Take the mutes out: all its strings speak.';
	if (strings === 2)
		return open === 'left'
			? 'Wedge between its right string and the next note.'
			: 'Wedge between its left string and the note before.';
	if (open === 'middle') return 'Strip or wedges on both sides of the middle string.';
	return open === 'left' ? 'Wedge between middle and right.' : 'Wedge between left and middle.';
}
