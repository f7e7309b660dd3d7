import { examine, priorityById, USUAL_BANDS, type Examination } from '@fendrel/core';
import type { KeyboardVisit } from '../keyboardVisit.svelte';
import { settingsOf } from '../workshopSettings';
import { provedOf } from './proved';

/** What examinations ask for above the middle. */
const EXAM_CURVE = 'single-octaves';

/** The instrument as an examiner goes through it: what was set and read, what was heard open, what was struck again. */
export function examinationOf(open: KeyboardVisit): Examination {
	const { measured, unisons, drifts } = provedOf(open);
	return examine(
		{
			notes: measured.notes.map((note, i) => ({ note, cents: measured.deviations[i] })),
			unisons: unisons.map(({ note, apart }) => ({ note, cents: apart })),
			drifts: drifts.map(({ note, drift }) => ({ note, cents: drift }))
		},
		settingsOf(open).examination ?? USUAL_BANDS
	);
}

/** Examinations ask for clean single octaves on top: what is said where the plan has another curve. */
export function curveAsked({ curve }: Pick<KeyboardVisit, 'curve'>): string {
	const asked = `Examinations ask for “${priorityById(EXAM_CURVE).name}”.`;
	if (!curve) return `It was set without a stretch. ${asked}`;
	return curve.wish.lead === EXAM_CURVE
		? ''
		: `It was set to another curve: ${priorityById(curve.wish.lead).name}. ${asked}`;
}
