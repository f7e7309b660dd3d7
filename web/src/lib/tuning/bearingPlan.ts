import { bearingPlan, type BearingPlan, type Ear, type StiffString } from '@fendrel/core';
import { planFor, type Plan, type PlanBasis } from './plan';

/** A bearing plan to be made, on an instrument in a temperament. */
export interface BearingWish {
	readonly basis: PlanBasis;
	/** Id of a school, or "computed". */
	readonly school: string;
	readonly start: number;
	readonly low: number;
	readonly high: number;
	readonly ear: Ear;
}

/** The instrument as it is to be tuned, for a bearing plan and for what sounds. */
export interface BearingGround {
	readonly plan: Plan;
	readonly strings: (note: number) => StiffString;
}

export function bearingGround(basis: PlanBasis): BearingGround {
	const plan = planFor(basis);
	return { plan, strings: (note) => plan.targetOf(note)!.string };
}

export function bearingPlanOn({ strings }: BearingGround, wish: BearingWish): BearingPlan {
	return bearingPlan({ ...wish, strings, temperament: wish.basis.temperament });
}
