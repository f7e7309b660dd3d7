import { simulatePlan } from '@fendrel/core';
import { bearingGround, bearingPlanOn } from '$lib/tuning/bearingPlan';
import type { BearingTasks, RankedPlan } from './bearing';
import type { Handlers } from './serve';

/** The same simulated ears on every machine. */
const SEED = 20;

export const bearingJobs: Handlers<BearingTasks> = {
	/** A plan that leaves nothing over to close with counts by its notes alone. */
	async compare({ wish, schools, runs }, { tell, pause }) {
		const ground = bearingGround(wish.basis);
		const inOrder = [wish.school, ...schools.filter((school) => school !== wish.school)];
		const ranked: RankedPlan[] = [];
		for (const [i, school] of inOrder.entries()) {
			await pause();
			const plan = bearingPlanOn(ground, { ...wish, school });
			const steps = simulatePlan(plan, ground.strings, wish.ear, runs, SEED);
			let step = steps.next();
			for (; !step.done; step = steps.next()) {
				tell({ share: (i + step.value) / inOrder.length });
				await pause();
			}
			const { overall, closing } = step.value;
			ranked.push({ school, overall, closing });
			if (i === 0) tell({ share: 1 / inOrder.length, shown: step.value });
		}
		return ranked.sort((a, b) => (a.closing ?? a.overall) - (b.closing ?? b.overall));
	}
};
