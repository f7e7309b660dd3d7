import { A4_RANGE, TOLERANCES } from '@fendrel/core';
import { z } from 'zod';
import { stretchWordSchema } from '$lib/tuning/stretch';
import { a4Field, limitedText } from '$lib/ui/fields';

export const STAGES = ['sound', 'plan', 'set', 'close'] as const;
export type Stage = (typeof STAGES)[number];

export const NOTE_LIMIT = 4000;
/** What may be changed of a visit while it is open. */
export const visitChangesSchema = z
	.object({
		a4: a4Field,
		temperamentId: z.uuid(),
		/** One that was taken, or none: a new one is drawn at an address of its own. */
		stretch: stretchWordSchema.refine(({ by }) => by !== 'priority', 'Choose a curve, or none.'),
		tolerance: z
			.number()
			.refine((value) => (TOLERANCES as readonly number[]).includes(value), 'Choose one of the tolerances.'),
		stage: z.enum(STAGES),
		note: limitedText(NOTE_LIMIT)
	})
	.partial();
/** As they are sent, and as they are read. */
export type SentChanges = z.input<typeof visitChangesSchema>;
export type VisitChangesForm = z.output<typeof visitChangesSchema>;

/** Reads an A4 as it is typed, comma or point. */
export function parseA4(text: string): { value: number } | { problem: string } {
	const value = Number(text.trim().replace(',', '.'));
	if (text.trim() === '' || !Number.isFinite(value)) return { problem: 'Write A4 in hertz, such as 441.5.' };
	if (value < A4_RANGE.lowest || value > A4_RANGE.highest)
		return { problem: `${value} Hz is outside ${A4_RANGE.lowest} to ${A4_RANGE.highest} Hz.` };
	return { value };
}
