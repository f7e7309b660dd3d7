import {
	memberOf,
	octaveOfMember,
	REGISTER_OCTAVE,
	type Family,
	type InstrumentTwin,
	type ListeningHabits,
	type MovedPins
} from '@fendrel/core';
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
		setup: listeningSetup(plan, visit.a4, highestAbove(family, body)),
		habits,
		twin,
		countOf: (group) => family.sounders(body, group).length,
		aboveOf: (group, string) => aboveOf(family, body, group, string),
		moved: { ...moved }
	} satisfies Partial<ListeningOptions>;
}

/** Semitones that a string of a group sounds above it. */
function aboveOf<Body>(family: Family<Body>, body: Body, group: number, string: number): number {
	const sounder = family.sounders(body, group)[string];
	return sounder === undefined ? 0 : REGISTER_OCTAVE * octaveOfMember(memberOf(sounder));
}

/** The most that any does. */
function highestAbove<Body>(family: Family<Body>, body: Body): number {
	const [group] = family.groups(body);
	return Math.max(0, ...family.sounders(body, group).map((_, string) => aboveOf(family, body, group, string)));
}
