/** Strings of a note, as they lie. */
export type StringPlace = 'left' | 'middle' | 'right';

/**
 * The gaps in which wedges silence a note's other strings: 0 lies before its first string, `strings` behind its last.
 * @param strings of the note
 * @param open the one that speaks; 'all' where nothing is muted
 */
export function wedgeGaps(strings: number, open: StringPlace | 'all'): readonly number[] {
	if (strings === 1 || open === 'all') return [];
	if (strings === 2) return open === 'left' ? [2] : [0];
	return { left: [2], middle: [0, 3], right: [1] }[open];
}

/** What silences the other strings of one note, in words: where the wedge goes. */
export function muteFor(strings: number, open: StringPlace | 'all'): string {
	if (strings === 1) return 'One string: nothing to mute.';
	if (open === 'all') return 'Take the mutes out: all its strings speak.';
	if (strings === 2)
		return open === 'left'
			? 'Wedge between its right string and the next note.'
			: 'Wedge between its left string and the note before.';
	if (open === 'middle') return 'Strip, or wedges between its outer strings and the notes beside them.';
	return open === 'left' ? 'Wedge between middle and right.' : 'Wedge between left and middle.';
}
