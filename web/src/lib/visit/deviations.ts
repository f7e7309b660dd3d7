import { centsBetween, hz, type SetReading } from '@fendrel/core';
import type { Plan } from '$lib/tuning/plan';

interface Stored {
	readonly note: number;
	readonly takenAt: Date;
	readonly pitch: number | null;
	readonly accepted: boolean;
}

/** Readings against the targets as they are planned now, which may have changed since they were taken. */
export function deviationsNow(readings: readonly Stored[], plan: Pick<Plan, 'targetOf'>): SetReading[] {
	return readings.map(({ note, takenAt, pitch, accepted }) => {
		const target = plan.targetOf(note)?.pitch;
		const deviation = pitch !== null && target ? centsBetween(target, hz(pitch)) : undefined;
		return { note, takenAt: takenAt.getTime(), deviation, accepted };
	});
}
