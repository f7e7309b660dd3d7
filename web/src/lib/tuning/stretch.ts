import type { PriorityId } from '@fendrel/core';

/** Which curve a plan rests on: none, one that was taken, or one drawn afresh from what leads it. */
export type Stretch =
	| { readonly by: 'none' }
	| { readonly by: 'curve'; readonly id: string }
	| { readonly by: 'priority'; readonly lead: PriorityId };

export const NO_STRETCH: Stretch = { by: 'none' };
export const stretchByCurve = (id: string): Stretch => ({ by: 'curve', id });

export const NONE = 'none';

/** As an address or a field of a form has it: one word. It is read by stretchWordSchema. */
export function stretchWord(stretch: Stretch): string {
	return stretch.by === 'none' ? NONE : stretch.by === 'curve' ? stretch.id : stretch.lead;
}

/** As tables hold it: one column for each way, of which at most one is filled. */
export interface StretchColumns {
	curveId: string | null;
	curveLead: PriorityId | null;
}

export function stretchColumns(stretch: Stretch): StretchColumns {
	return {
		curveId: stretch.by === 'curve' ? stretch.id : null,
		curveLead: stretch.by === 'priority' ? stretch.lead : null
	};
}

export function stretchOf({ curveId, curveLead }: StretchColumns): Stretch {
	if (curveId !== null) return stretchByCurve(curveId);
	return curveLead === null ? NO_STRETCH : { by: 'priority', lead: curveLead };
}
