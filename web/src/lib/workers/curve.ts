import type { CurveBasis, CurveChoice } from '$lib/tuning/curve';
import type { Task } from './protocol';

export interface BandJob {
	readonly basis: CurveBasis;
	readonly wish: CurveChoice;
}

export interface ClosestJob {
	readonly basis: CurveBasis;
	/** Where notes stand: cents from equal temperament, their temperament taken out. */
	readonly standing: readonly { readonly note: number; readonly cents: number }[];
}

/** The wish whose curve comes closest to how notes stand. */
export interface Closest {
	readonly wish: CurveChoice;
	/** Root mean square of what is left over, in cents. */
	readonly left: number;
	/** How many notes were compared, and which of them had no say. */
	readonly notes: number;
	readonly stray: readonly number[];
}

export type CurveTasks = {
	/** Standard error of each note's deviation, in cents. */
	band: Task<BandJob, readonly number[]>;
	/** Undefined when too little is known. */
	closest: Task<ClosestJob, Closest | undefined>;
};
