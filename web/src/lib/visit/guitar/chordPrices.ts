import type { ShownChord } from '$lib/charts/ChordBeats.svelte';
import type { GuitarVisit } from '../guitarVisit.svelte';
import { pairWords } from './guitarWords';

/** Chords as their picture shows them, the roughest first. @param then offsets; those that are used unless given */
export function shownChords(open: GuitarVisit, then: readonly number[] = open.used): readonly ShownChord[] {
	const now = open.now && open.pricesOf(open.now);
	return open
		.pricesOf(then)
		.map(({ name, beats, worst }, i): ShownChord => ({
			...{ name, then: beats, now: now?.[i].beats },
			worst: worst ? pairWords(open.body, worst) : 'no interval that beats'
		}))
		.sort((a, b) => b.then - a.then);
}

/** The same as the strings stand, by themselves. */
export const chordsNow = (open: GuitarVisit, now: readonly number[]): readonly ShownChord[] =>
	shownChords(open, now).map((each) => ({ ...each, now: undefined }));
