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
}
