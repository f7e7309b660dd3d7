import type { Family, InstrumentTwin, ListeningHabits, MovedPins } from '@fendrel/core';
import type { ListeningOptions } from '$lib/audio/listening.svelte';
import { listeningSetup } from '$lib/tuning/listeningSetup';
import type { Plan } from '$lib/tuning/plan';
import type { VisitRecord } from './visitRecord.svelte';

/** What a stage that listens works on: the visit, its instrument, its plan and its record. */
export interface WorkGround<Body> {
	readonly visit: { readonly id: string; readonly a4: number };
	readonly family: Family<Body>;
	readonly body: Body;
	readonly twin: InstrumentTwin;
	readonly plan: Plan;
	readonly habits: ListeningHabits;
	readonly record: VisitRecord;
	/** Strings that the simulated instrument's lever has moved. */
	readonly moved: MovedPins;
}

/** The instrument, as listening is told of it. */
export function listenedTo<Body>({ visit, family, body, plan, habits, twin, moved }: WorkGround<Body>) {
	return {
		setup: listeningSetup(plan, visit.a4),
		habits,
		twin,
		countOf: (group) => family.sounders(body, group).length,
		moved: { ...moved }
	} satisfies Partial<ListeningOptions>;
}
