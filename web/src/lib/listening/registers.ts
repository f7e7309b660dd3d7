import { noteName, type ListeningHabits } from '@fendrel/core';

/** Names of the usual registers, from the bass upwards. */
export const REGISTER_NAMES = ['Low bass', 'Tenor', 'Middle', 'Treble'] as const;

/** Where a register lies on a keyboard, as "to E♭2", "E2 to B3" or "C6 and up". */
export function registerReach(habits: ListeningHabits, index: number): string {
	const from = index === 0 ? undefined : noteName(habits[index - 1].to + 1);
	const to = index === habits.length - 1 ? undefined : noteName(habits[index].to);
	if (from === undefined) return `to ${to}`;
	return to === undefined ? `${from} and up` : `${from} to ${to}`;
}
