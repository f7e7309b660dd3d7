import { A4, followEar, type EarNote } from '@fendrel/core';
import { v7 as uuid } from 'uuid';
import { BALANCED, type KeptCurve } from '$lib/tuning/curve';
import type { KeyboardVisit } from '../keyboardVisit.svelte';

/** The plan's curve, with notes kept by ear where they stand and those that are not set yet following; undefined without a curve. */
export function followingCurve(
	{ curve, plan, summary, instrument, record }: KeyboardVisit,
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
