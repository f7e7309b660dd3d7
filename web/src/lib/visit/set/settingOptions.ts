import type {
	BearingPlan,
	Cents,
	Due,
	Family,
	GroupTarget,
	ListeningHabits,
	PlannedOrder,
	ReadStrike,
	SettingStep
} from '@fendrel/core';
import type { VisitRecord } from '../visitRecord.svelte';
import type { RaiseWork } from './raiseWork.svelte';

/** What setting works on and with. */
export interface SettingOptions<Body> {
	readonly family: Family<Body>;
	/** What the family knows of this instrument. */
	readonly body: Body;
	readonly record: VisitRecord;
	readonly plan: { readonly targetOf: (group: number) => GroupTarget | undefined };
	readonly tolerance: Cents;
	readonly habits: () => ListeningHabits;
	readonly source: () => 'microphone' | 'simulated';
	readonly onDue: (due: Due | undefined, group: number) => void;
	/** Told when a string begins to sound, and when it is silent again. */
	readonly onSounding?: (sounding: boolean) => void;
	/** Told of what the string that is due has been struck, the newest strike last. */
	readonly onRead?: (strikes: readonly ReadStrike[]) => void;
	/** A pass of a raise, in place of the tuning. */
	readonly raise?: RaiseWork;
	/** Notes that are touched while the rest stays, and how many cents above their targets they are brought. */
	readonly touch?: ReadonlyMap<number, number>;
	/** In which order, unless as usual; the bearing plan where that is one. */
	readonly order?: PlannedOrder;
	readonly bearing?: Pick<BearingPlan, 'steps'>;
	/** Cents that the strings of a group may lie apart. */
	readonly unisonLimit: (group: number) => number;
}

/** What strings of a group are brought together by. */
export type StringsInHand<Body> = Pick<SettingOptions<Body>, 'family' | 'body' | 'record' | 'unisonLimit'>;

/** All notes in the family's order, or those that are touched, or those of a pass. */
export function stepsOf<Body>({
	family,
	body,
	raise,
	touch,
	order,
	bearing
}: SettingOptions<Body>): readonly SettingStep[] {
	if (raise) return raise.order;
	const all = family.order(body, order, bearing);
	if (!touch) return all;
	const touched = all.filter(({ note }) => touch.has(note)).map((step) => ({ ...step, section: 'touch' as const }));
	return touched.length ? touched : all;
}
