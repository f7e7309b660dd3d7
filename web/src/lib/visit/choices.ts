import {
	planField,
	RAISE_ORDERS,
	RAISE_SCHOOLS,
	type Choice,
	type PlanField,
	type PlannedRaise,
	type PlanVersion,
	type PriorityId,
	USUAL_ORDER,
	type WrittenField
} from '@fendrel/core';
import type { InstrumentBook } from '$lib/device/books';
import { wishWords } from '$lib/tuning/curve';
import { stretchOf } from '$lib/tuning/stretch';
import { counted, inHz } from '$lib/ui/format';
import { fretPlanOf, fretPlanWords } from './fretPlan';
import { intonationWords } from './intonationWords';
import { orderWords } from './orderWords';
import type { PlanChanges } from './visitRecord.svelte';

/** What a version says of a field: "442.0 Hz". */
export function choiceWords(
	act: Choice['versions'][number],
	field: WrittenField,
	{ temperaments, curves }: Pick<InstrumentBook, 'temperaments' | 'curves'>
): string {
	if (act.do === 'note') return act.text || 'nothing';
	const { a4, temperamentId, tolerance, curveId, lead } = act.plan;
	switch (field) {
		case 'a4':
			return `${inHz(a4)} Hz`;
		case 'temperament':
			return temperaments.find(({ id }) => id === temperamentId)?.name ?? 'one that is no longer in the library';
		case 'tolerance':
			return `${tolerance} cents`;
		case 'raise':
			return act.plan.raise ? raiseWords(act.plan.raise) : 'no raise';
		case 'touch':
			return act.plan.touch ? counted(act.plan.touch.length, 'note') : 'every note';
		case 'order':
			return orderWords(act.plan.order ?? USUAL_ORDER);
		case 'intonation':
			return act.plan.intonation ? intonationWords(act.plan.intonation) : 'every reed equal';
		case 'frets':
			return fretPlanWords(fretPlanOf(act.plan.frets));
		default: {
			const curve = curves.find(({ id }) => id === curveId);
			return curve
				? wishWords(curve.wish)
				: lead
					? wishWords({ lead: lead as PriorityId, with: null, share: 0, top: 0, held: {} })
					: 'none';
		}
	}
}

/** A planned raise in a few words. */
export function raiseWords({ school, order, cap, pass }: PlannedRaise): string {
	const name = RAISE_SCHOOLS.find(({ id }) => id === school)?.name ?? school;
	const way = RAISE_ORDERS.find(({ id }) => id === order)?.name ?? order;
	return `${name.toLowerCase()}, ${way.charAt(0).toLowerCase()}${way.slice(1)}, at most ${cap} cents over, pass ${pass}`;
}

/** A field of a plan as it is chosen again. */
export function chosen(plan: PlanVersion, field: PlanField): PlanChanges {
	if (field === 'curve')
		return { stretch: stretchOf({ curveId: plan.curveId, curveLead: plan.lead as PriorityId | null }) };
	return planField(plan, field) as PlanChanges;
}
