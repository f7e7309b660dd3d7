import { SIZES, sittings } from '@fendrel/core';
import { subDays } from 'date-fns';
import { v7 as uuid } from 'uuid';
import { SITTING } from '$lib/practice/progress';
import { keepSitting } from '../practice/sittings';

/** Days before today on which the demo's technician sat, and from how many cents on they heard then. */
const SAT = [
	[61, 2.6],
	[54, 2.4],
	[47, 1.9],
	[39, 2],
	[33, 1.5],
	[25, 1.6],
	[18, 1.2],
	[11, 1.25],
	[4, 1.05]
] as const;

/** Sittings of an ear that grows finer. */
export async function loadPractice(userId: string, today: Date): Promise<void> {
	const [{ id: register, task }] = SIZES.registers;
	for (const [i, [daysAgo, threshold]] of SAT.entries()) {
		const learner = { threshold, slope: 1.8, lapse: 0.02 };
		const [{ search }] = sittings(task, { count: 1, trials: SITTING.choice, seed: 70 + i, learner });
		const beganAt = subDays(today, daysAgo).toISOString();
		await keepSitting(userId, uuid(), { drill: SIZES.id, register, beganAt, trials: search.trials });
	}
}
