import type { Cents } from '../units/quantity';
import type { Edge } from './edges';

/** One note to set. */
export interface BearingStep {
	readonly note: number;
	/** The intervals it is set by: the first leads; where there are more, the note is set between them by weight. */
	readonly by: readonly { readonly edge: Edge; readonly weight: number }[];
	/** Standard deviation of the note's pitch that this ear accumulates up to here. */
	readonly error: Cents;
	readonly checks: readonly BearingCheck[];
}

/** An interval that a step makes audible, and what it means when it does not beat as it should. */
export interface BearingCheck {
	readonly edge: Edge;
	/** Further from its rate than this, per second, and something is wrong (two standard deviations). */
	readonly tolerance: number;
	/** The note that is most likely out, and how many cents sharp it is for each beat that the interval is too wide. */
	readonly suspect: number;
	readonly centsPerBeat: number;
	/** An interval already known whose rate this one is compared with. */
	readonly compare:
		{ readonly edge: Edge; readonly as: 'neighbour' | 'next third' | 'stacked third' | 'inside third' } | undefined;
}
