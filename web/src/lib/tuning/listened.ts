import type { InstrumentTwin, ListeningHabits, Stringing } from '@fendrel/core';

/** What whoever listens to an instrument needs besides its plan. */
export interface Listened {
	/** The instrument's id, or the kind that a typical one is of. */
	readonly id: string;
	readonly habits: ListeningHabits;
	readonly twin: InstrumentTwin;
	readonly stringing: Stringing;
}
