import { A4, isByEar, USUAL_ORDER, type EarNote, type SettingStep } from '@fendrel/core';
import type { KeyboardVisit } from '../keyboardVisit.svelte';

/** Where the ear sets, what lies nearer to the plan than that is the plan's, in cents. */
const NOTHING = 0.3;

/** Notes that were kept by ear off the plan as it stands now, in the order in which they were kept. */
export function earNotes(
	{ record, summary, visit }: Pick<KeyboardVisit, 'record' | 'summary' | 'visit'>,
	order: readonly SettingStep[]
): readonly EarNote[] {
	// Notes to touch are brought to their neighbours, not to the plan.
	if (record.report.plan?.touch) return [];
	const chosen = record.report.plan?.order ?? USUAL_ORDER;
	const steps = new Map(order.filter(({ unison }) => !unison).map((step) => [step.note, step]));
	const at = (note: number) => record.groups.get(note)?.left?.at ?? 0;
	return [...summary.notes.values()]
		.flatMap(({ note, set, left }) => {
			const step = steps.get(note);
			if (!set || left === undefined || !step || note === A4) return [];
			const least = isByEar(step, chosen) ? NOTHING : visit.tolerance;
			return Math.abs(left) > least ? [{ note, off: left }] : [];
		})
		.sort((a, b) => at(a.note) - at(b.note));
}
