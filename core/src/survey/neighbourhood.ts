/** What its neighbours say of a note; cents. */
export interface Neighbourhood {
	readonly note: number;
	/** Where the note would stand if it stood as they do. */
	readonly expected: number;
	/** Standard deviation of notes about that: a note's own scatter, and the line's error. */
	readonly sd: number;
	readonly isStray: boolean;
}
