import { cents, centsBetween, hz, type SetReading } from '@fendrel/core';
import type { Plan } from '$lib/tuning/plan';

interface Stored {
	readonly note: number;
	readonly takenAt: Date;
	readonly target: number;
	readonly deviation: number | null;
	readonly accepted: boolean;
}

/**
 * Readings against the targets as they are planned now: a deviation, wherever in the note it was heard, moves by what
 * its target has moved since.
 */
export function deviationsNow(readings: readonly Stored[], plan: Pick<Plan, 'targetOf'>): SetReading[] {
	return readings.map(({ note, takenAt, target, deviation, accepted }) => {
		const now = plan.targetOf(note)?.pitch;
		return {
			note,
			takenAt: takenAt.getTime(),
			deviation: deviation !== null && now ? cents(deviation - centsBetween(hz(target), now)) : undefined,
			accepted
		};
	});
}
