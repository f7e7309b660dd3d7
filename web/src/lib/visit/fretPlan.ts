import { STRING_ORDERS, type PlannedFrets, type PlannedOffsets, type StringOrder } from '@fendrel/core';
import { counted, listed } from '$lib/ui/format';
import { lengthWords } from '$lib/ui/measures';

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

/** How hard one plays. */
export const TOUCHES: readonly { readonly id: number; readonly label: string }[] = [
	{ id: 0, label: 'Softly' },
	{ id: 0.5, label: 'In between' },
	{ id: 1, label: 'Hard' }
];
export const touchWords = (touch: number) =>
	touch < 0.25 ? 'played softly' : touch > 0.75 ? 'played hard' : 'played between soft and hard';

export const FIRST_OFFSETS: PlannedOffsets = { capo: 0, touch: 0.5, step: 0.5, chords: [], kept: [], use: '' };

/** "the best offsets for 9 chords, played hard, capo at 2" */
export function offsetWords({ use, chords, touch, capo }: PlannedOffsets): string {
	const which = use ? `the offsets “${use}”` : `the best offsets for ${counted(chords.length, 'chord')}`;
	return `${which}, ${touchWords(touch)}, ${capo ? `capo at ${capo}` : 'without a capo'}`;
}

/** A plan in a few words. */
export function fretPlanWords({ order, spelled, weights, keys, step, offsets }: FretPlan): string {
	if (offsets) return offsetWords(offsets);
	return listed([
		ORDER_NAMES[order],
		...(spelled.length ? [`${counted(spelled.length, 'note')} spelled otherwise`] : []),
		...(weights.some((weight) => weight !== 1) ? ['strings weighed'] : []),
		...(keys ? [`for ${keys}`] : []),
		step ? `in steps of ${lengthWords(step)}` : 'as fine as one likes'
	]);
}
