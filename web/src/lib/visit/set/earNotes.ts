import { A4, followEar, isByEar, USUAL_ORDER, type EarNote, type SettingStep } from '@fendrel/core';
import { v7 as uuid } from 'uuid';
import { BALANCED, type KeptCurve } from '$lib/tuning/curve';
import type { OpenVisit } from '../openVisit.svelte';

/** Where the ear sets, what lies nearer to the plan than that is the plan's, in cents. */
const NOTHING = 0.3;

/** Notes that were kept by ear off the plan as it stands now, in the order in which they were kept. */
export function earNotes(
	{ record, summary, visit }: Pick<OpenVisit, 'record' | 'summary' | 'visit'>,
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

/** The plan's curve, with notes kept by ear where they stand and those that are not set yet following; undefined without a curve. */
export function followingCurve(
	{ curve, plan, summary, instrument, record }: OpenVisit,
	ear: readonly EarNote[]
): KeptCurve | undefined {
	if (!curve) return undefined;
	const byEar = new Map(ear.map(({ note, off }) => [note, off]));
	const notes = plan.targets.map(({ note }) => note);
	const isSet = (note: number) => note === A4 || (summary.notes.get(note)?.set ?? false);
	const shifts = followEar(
		ear,
		notes.filter((note) => isSet(note) && !byEar.has(note)),
		notes.filter((note) => !isSet(note))
	);
	const deviations = notes.map((note) =>
		Number((plan.stretchAt(note) + (byEar.get(note) ?? shifts.get(note) ?? 0)).toFixed(3))
	);
	const held = Object.fromEntries(ear.map(({ note }) => [note, deviations[note - instrument.lowest]]));
	return {
		id: uuid(),
		visitId: record.visitId,
		madeAt: new Date(),
		wish: { ...BALANCED, ...curve.wish, held: { ...curve.wish.held, ...held } },
		lowest: instrument.lowest,
		deviations,
		notesRead: curve.notesRead
	};
}
