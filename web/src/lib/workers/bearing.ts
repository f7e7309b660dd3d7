import type { Ear, SimulatedErrors } from '@fendrel/core';
import type { PlanBasis } from '$lib/tuning/plan';

/** A plan to be made, on an instrument in a temperament. */
export interface BearingJob {
	readonly basis: PlanBasis;
	/** Id of a school, or "computed". */
	readonly school: string;
	readonly start: number;
	readonly low: number;
	readonly high: number;
	readonly ear: Ear;
}

/** How a school does in this situation. */
export interface RankedPlan {
	readonly school: string;
	readonly overall: number;
	readonly closing: number | undefined;
}

export interface BearingWorker {
	/** Shares of the runs done, 0 to 1, go to `onProgress`. */
	errors(job: BearingJob, runs: number, onProgress: (share: number) => void): SimulatedErrors;
	/** All schools that fit the temperament, the least closing error first. */
	rank(job: BearingJob, schools: readonly string[], runs: number, onProgress: (share: number) => void): RankedPlan[];
}
