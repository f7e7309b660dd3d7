import type { BiteRule, Intonation, IntonationLevel, PlannedIntonation } from '@fendrel/core';

/** Where reeds are to stand, by which breaths, and how much a bite takes: as a visit has it planned. */
export interface ReedPlan extends Intonation {
	readonly gentle: number | null;
	readonly playing: number | null;
	readonly bite: BiteRule;
}

export const FIRST_REED_PLAN: ReedPlan = {
	...{ level: 'equal', share: 1, seventh: null, ninth: null, own: {} },
	...{ gentle: null, playing: null, bite: 'learned' }
};

/** What was planned; as a visit begins where nothing was. */
export function reedPlanOf(planned: PlannedIntonation | null | undefined): ReedPlan {
	if (!planned) return FIRST_REED_PLAN;
	const own = Object.fromEntries(Object.entries(planned.own).map(([note, cents]) => [Number(note), cents]));
	return { ...planned, level: planned.level as IntonationLevel, bite: planned.bite as BiteRule, own };
}
