/** What will be played, and how much each note of a compass counts for it: 1 on the average. */
export interface Programme {
	readonly name: string;
	readonly weights: readonly (readonly [note: number, weight: number])[];
}
