import type { SimulatedErrors } from '@fendrel/core';
import type { BearingWish } from '$lib/tuning/bearingPlan';
import type { Task } from './protocol';

/** Schools to be compared in one situation, the one that is shown first. */
export interface Comparison {
	readonly wish: BearingWish;
	readonly schools: readonly string[];
	/** Simulated tunings of each. */
	readonly runs: number;
}

/** How a school does in this situation. */
export interface RankedPlan {
	readonly school: string;
	readonly overall: number;
	readonly closing: number | undefined;
}

export interface ComparisonProgress {
	/** Share of all runs done, 0 to 1. */
	readonly share: number;
	/** The errors of the school that is shown, as soon as they are known. */
	readonly shown?: SimulatedErrors;
}

export type BearingTasks = {
	/** All schools, the least closing error first. */
	compare: Task<Comparison, readonly RankedPlan[], ComparisonProgress>;
};
