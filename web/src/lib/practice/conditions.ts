import { SURROUNDINGS, USUAL_MOTION, type Chord, type StringMotion, type Surroundings } from '@fendrel/core';

/** What may be about whoever practises. */
export const ROOMS = SURROUNDINGS.filter(({ id, isHeard }) => isHeard || id === 'quiet');

/** Under what conditions a drill is done. */
export interface Conditions {
	readonly room: Surroundings;
	/** A string that is heard beats by itself. */
	readonly isFalse: boolean;
}

/** As an address says it; anything else counts as not said. */
export function conditionsAsked({ room, false: beats }: Readonly<Record<string, string | undefined>>): Conditions {
	return { room: ROOMS.find(({ id }) => id === room)?.id ?? 'quiet', isFalse: beats === 'yes' };
}

/** A false beat that is in the way and can be listened past. */
export const FALSE_BEAT: StringMotion = { ...USUAL_MOTION, sideways: { share: 0.22, cents: 1.6 } };

/** The same sounds with the first string of each chord beating by itself. */
export const withFalseBeat = (sounds: readonly (readonly Chord[])[]): (readonly Chord[])[] =>
	sounds.map((chords) =>
		chords.map((chord) => ({
			...chord,
			// A partial alone, or a fork, is no string that could beat.
			voices: chord.voices.map((voice, i) => (i === 0 && !voice.partials ? { ...voice, motion: FALSE_BEAT } : voice))
		}))
	);
