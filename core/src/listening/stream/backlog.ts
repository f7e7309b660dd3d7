/** What to do about sound that waits to be listened to. */
export type Catching =
	/** The analysis keeps up. */
	| 'up'
	/** It falls behind: what no reading needs is left out. */
	| 'sparing'
	/** It cannot catch up at all: what waits is left out, as if it had been lost. */
	| 'skipping';

/** Seconds of sound that wait: from when on it is behind, when it has caught up again, and when it never will. */
const BEHIND = { from: 0.25, until: 0.05, hopeless: 4 } as const;

/** Decides by how much sound waits what is left out, and for how long. */
export class Backlog {
	private catching: Catching = 'up';

	/** @param waiting seconds of sound that have come in and not been listened to */
	see(waiting: number): Catching {
		if (waiting > BEHIND.hopeless) this.catching = 'skipping';
		else if (this.catching === 'skipping' || waiting > BEHIND.from) this.catching = 'sparing';
		else if (waiting < BEHIND.until) this.catching = 'up';
		return this.catching;
	}
}
