import { bearingPlan, simulatePlan, type BearingPlan, type SimulatedErrors } from '@fendrel/core';
import { planFor } from '$lib/tuning/plan';
import type { BearingJob, RankedPlan } from './bearing';

/** The same plan and the same simulated ears on every machine. */
const SEED = 20;

export function madePlan(job: BearingJob): BearingPlan {
	const plan = planFor(job.basis);
	const strings = (note: number) => plan.targetOf(note)!.string;
	return bearingPlan({ ...job, strings, temperament: job.basis.temperament });
}

export function planErrors(job: BearingJob, runs: number, onProgress: (share: number) => void): SimulatedErrors {
	const plan = planFor(job.basis);
	const strings = (note: number) => plan.targetOf(note)!.string;
	return simulatePlan(madePlan(job), strings, job.ear, runs, SEED, onProgress);
}

/** A plan that leaves nothing over to close with counts by its notes alone. */
export function rankPlans(
	job: BearingJob,
	schools: readonly string[],
	runs: number,
	onProgress: (share: number) => void
): RankedPlan[] {
	return schools
		.map((school, i): RankedPlan => {
			const { overall, closing } = planErrors({ ...job, school }, runs, (share) =>
				onProgress((i + share) / schools.length)
			);
			return { school, overall, closing };
		})
		.sort((a, b) => (a.closing ?? a.overall) - (b.closing ?? b.overall));
}
