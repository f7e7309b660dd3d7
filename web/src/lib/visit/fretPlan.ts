import { STRING_ORDERS, type PlannedFrets, type StringOrder } from '@fendrel/core';
import { counted, listed } from '$lib/ui/format';

/** How strings and frets are set, as a visit has it planned. */
export interface FretPlan extends PlannedFrets {
	readonly order: StringOrder;
}

export const FIRST_FRET_PLAN: FretPlan = { order: 'fromTop', spelled: [], weights: [], keys: '', step: 0.5 };

/** What was planned; as a visit begins where nothing was. */
export function fretPlanOf(planned: PlannedFrets | null | undefined): FretPlan {
	if (!planned) return FIRST_FRET_PLAN;
	return { ...planned, order: STRING_ORDERS.find((each) => each === planned.order) ?? 'fromTop' };
}

export const ORDER_NAMES: Record<StringOrder, string> = {
	fromTop: 'from the highest string down',
	fromA: 'from the A outwards'
};

/** A plan in a few words. */
export function fretPlanWords({ order, spelled, weights, keys, step }: FretPlan): string {
	return listed([
		ORDER_NAMES[order],
		...(spelled.length ? [`${counted(spelled.length, 'note')} spelled otherwise`] : []),
		...(weights.some((weight) => weight !== 1) ? ['strings weighed'] : []),
		...(keys ? [`for ${keys}`] : []),
		step ? `in steps of ${step} mm` : 'as fine as one likes'
	]);
}
