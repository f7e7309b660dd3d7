/** What a note was found at; cents from where the plan wants it. */
export interface FoundLevel {
	readonly note: number;
	readonly level: number;
	/** Standard error, in cents. */
	readonly error: number;
}

/** A note with the strings it has: what moving it costs. */
export interface StrungLevel extends FoundLevel {
	readonly strings: number;
}
