/** How strings up to a note are listened to. */
export interface RegisterHabit {
	/** Highest note of the register. */
	readonly to: number;
	/** Partial whose pitch is followed; ALL_PARTIALS: the first partial's, from all of them together. */
	readonly partial: number;
	/** Seconds after the strike at which a string is read. */
	readonly moment: number;
}

/** Registers from the bass upwards; the last one reaches to the top. */
export type ListeningHabits = readonly RegisterHabit[];

export const ALL_PARTIALS = 0;
export const HIGHEST_LISTENED = 8;
export const MOMENTS = { earliest: 0.15, latest: 2 } as const;

/**
 * Bass strings settle late and are heard by a high partial, treble strings die early and are heard by their first:
 * the sixth in the low bass, the fourth in the tenor, the second in the middle.
 */
export const USUAL_HABITS: ListeningHabits = [
	{ to: 39, partial: 6, moment: 0.8 },
	{ to: 59, partial: 4, moment: 0.6 },
	{ to: 83, partial: 2, moment: 0.5 },
	{ to: 127, partial: 1, moment: 0.3 }
];

/** The register a note lies in. */
export function habitAt(habits: ListeningHabits, note: number): RegisterHabit {
	return habits.find(({ to }) => note <= to) ?? habits[habits.length - 1];
}
