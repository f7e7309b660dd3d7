/*
 * What is told of frets: moves of tied ones, wolf notes, how strings and frets are planned.
 */

/** Nobody moves an end of a fret further, in mm. */
export const MOST_MOVED = 60;

/** A tied fret that was moved: mm towards the bridge at the lowest string and at the highest. */
export interface FretMoved {
	readonly fret: number;
	readonly low: number;
	readonly high: number;
}

/** A note that howls or stutters, what was tried against it, and what that did. */
export interface WolfNote {
	readonly note: number;
	readonly tried: string;
	readonly did: string;
}

/** How a string was sounded: with a capo at a fret (0: none), softly (0) to hard (1), or touched for its harmonic. */
export interface Plucked {
	readonly capo: number;
	readonly touch: number;
	readonly isHarmonic: boolean;
}

/** A chord of a player's book. */
export interface PlannedChord {
	readonly name: string;
	/** Frets over the capo, the lowest string first: "x32010". */
	readonly fingering: string;
	readonly capo: number;
	/** How much it counts. */
	readonly weight: number;
}

/** Offsets that somebody has kept under a name: cents by string, from the highest, softly plucked and without the capo. */
export interface KeptOffsets {
	readonly name: string;
	readonly offsets: readonly number[];
	readonly capo: number;
	readonly touch: number;
}

/** How open strings over fixed frets are planned: see `frets/offsetTable`. */
export interface PlannedOffsets {
	/** Where the capo sits while one tunes; 0: none. */
	readonly capo: number;
	/** How hard one plays: 0 softly, 1 hard. */
	readonly touch: number;
	/** Steps in cents that offsets are told in. */
	readonly step: number;
	readonly chords: readonly PlannedChord[];
	readonly kept: readonly KeptOffsets[];
	/** The kept offsets that are tuned to; "": the best for the chords. */
	readonly use: string;
}

/** How strings and frets are planned: see `frets/targets` and `frets/fretMap`. */
export interface PlannedFrets {
	/** Way through the open strings. */
	readonly order: string;
	/** Groups that take their note's other spelling. */
	readonly spelled: readonly number[];
	/** How much each string counts, from the highest; empty: all alike. */
	readonly weights: readonly number[];
	/** Keys that are played, as they were typed; nothing: all notes alike. */
	readonly keys: string;
	/** Steps in mm in which fret ends are moved. */
	readonly step: number;
	/** Of fixed frets. */
	readonly offsets?: PlannedOffsets | null;
}
