import { A4, bearingPlan, BEARING_ORDERS, DEFAULT_EAR, type BearingPlan } from '@fendrel/core';
import type { KeyboardVisit } from '../keyboardVisit.svelte';
import { reachesOctave } from '../orderWords';

/** Whether the temperament is set by a bearing plan. */
export function isByBearing({ record }: Pick<KeyboardVisit, 'record'>): boolean {
	const { order } = record.report.plan ?? {};
	return BEARING_ORDERS.some(({ id }) => id === order?.first);
}

/** The bearing plan that the order names, on the strings as they are to be tuned. */
export function bearingOrder({
	record,
	plan,
	temperament,
	instrument
}: Pick<KeyboardVisit, 'record' | 'plan' | 'temperament' | 'instrument'>): BearingPlan | undefined {
	const { first: school, octave } = record.report.plan!.order!;
	if (!reachesOctave(octave, instrument)) return undefined;
	const range = { start: A4, low: octave, high: octave + 12 };
	return bearingPlan({
		school,
		...range,
		temperament,
		ear: DEFAULT_EAR,
		strings: (note) => plan.targetOf(note)!.string
	});
}
