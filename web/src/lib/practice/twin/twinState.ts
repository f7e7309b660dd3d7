import { standingStrings, type Chord, type PassageVoice, type ReadString, type StiffString } from '@fendrel/core';
import type { PlayedChord } from '$lib/tuning/passages';
import { onShortDay } from '$lib/ui/format';

/** A visit that says how the instrument stood: what was read of its strings on arrival, and how they were left. */
export interface TwinVisit {
	readonly id: string;
	readonly at: Date;
	readonly found: readonly ReadString[];
	readonly left: readonly ReadString[];
}

/** A state that the twin can be heard in. */
export interface TwinState {
	readonly id: string;
	readonly name: string;
	readonly voices: (note: number) => readonly PassageVoice[];
}

/** A state was read of so many strings at least: fewer say nothing of an instrument. */
const LEAST = 5;

const voiced = (strings: (note: number) => readonly StiffString[]) => (note: number) =>
	strings(note).map((string) => ({ note, string }));

/** @param strings as they are to be tuned */
export const plannedState = (name: string, strings: (note: number) => StiffString): TwinState => ({
	...{ id: 'planned', name },
	voices: voiced((note) => [strings(note)])
});

/** How the instrument was found and left, visit by visit. @param strings of the same instrument, as they are to be tuned */
export function readStates(visits: readonly TwinVisit[], strings: (note: number) => StiffString): TwinState[] {
	return visits.flatMap(({ id, at, found, left }) =>
		(
			[
				['left', left],
				['found', found]
			] as const
		).flatMap(([how, read]) => {
			const stood = read.length >= LEAST ? standingStrings(read, strings) : undefined;
			return stood ? [{ id: `${how} ${id}`, name: `as ${how} on ${onShortDay(at)}`, voices: voiced(stood) }] : [];
		})
	);
}

/** What is played, in a state. */
export function inState({ voices }: TwinState, chords: readonly PlayedChord[]): Chord[] {
	return chords.map(({ at, seconds, notes }) => ({ at, seconds, voices: notes.flatMap(voices) }));
}
