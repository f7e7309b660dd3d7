import { A4_RANGE, AUDIBLE, HIGHEST_LISTENED, TOLERANCES } from '@fendrel/core';
import { z } from 'zod';
import { NO_STRETCH } from '$lib/tuning/plan';
import { a4Field, limitedText } from '$lib/ui/fields';

export const STRINGS = ['left', 'middle', 'right', 'open'] as const;
export type StringName = (typeof STRINGS)[number];
export const SOURCES = ['microphone', 'simulated', 'file', 'ear'] as const;
export const STAGES = ['sound', 'plan', 'set', 'close'] as const;
export type Stage = (typeof STAGES)[number];

export const NOTE_LIMIT = 4000;
const note = z.number().int().min(0).max(127);
const frequency = z.number().min(AUDIBLE.lowest).max(AUDIBLE.highest);
/** Standard errors of cents: what is less sure than an octave is not known. */
const error = z.number().min(0).max(1200);
/** Levels in decibels re full scale. */
const LEVELS = { lowest: -200, highest: 60 } as const;
/** B of the stiffest strings there are is some hundredths. */
const HIGHEST_B = 0.3;
const EARLIEST = new Date('2000-01-01');
const LATEST = new Date('2200-01-01');
/** Nothing that devices from before knew of. */
const figure = (most: number) => z.number().min(0).max(most).nullable().default(null);

/** A reading as a device sends it; the id is made there, so that sending twice stores once. */
export const readingSchema = z.object({
	id: z.uuid(),
	note,
	string: z.enum(STRINGS),
	takenAt: z.coerce.date().min(EARLIEST).max(LATEST),
	source: z.enum(SOURCES),
	accepted: z.boolean(),
	/** Taken in Sound: how the string was found. */
	found: z.boolean().default(false),
	pitch: frequency.nullable(),
	pitchError: error.nullable(),
	target: frequency,
	deviation: z.number().min(-12_000).max(12_000).nullable(),
	fundamental: frequency.nullable(),
	inharmonicity: z.number().min(0).max(HIGHEST_B).nullable(),
	inharmonicityError: z.number().min(0).max(1).nullable(),
	moment: z.number().min(0).max(60).nullable(),
	/** Partial that `deviation` was heard at; null: all together. */
	listened: z.number().int().min(1).max(HIGHEST_LISTENED).nullable().default(null),
	falseBeat: figure(100),
	falseBeatDepth: figure(1),
	spread: figure(400),
	spreadError: figure(400),
	partials: z
		.array(
			z.object({
				partial: z.number().int().min(1).max(64),
				frequency,
				/** In Hz. */
				error: z.number().min(0).max(1000),
				level: z.number().min(LEVELS.lowest).max(LEVELS.highest),
				decay: z.number().min(1e-3).max(1000).nullable().optional()
			})
		)
		.max(64)
});
export type Reading = z.infer<typeof readingSchema>;

const pin = z.object({ pin: z.number().min(-2400).max(2400), speaking: z.number().min(-2400).max(2400) });

/** What Set sends: readings in small batches, and where the work stands. */
export const progressSchema = z.object({
	readings: z.array(readingSchema).max(100),
	place: z
		.object({
			currentNote: note.nullable(),
			/** Strings that the simulated instrument's lever has moved, by note. */
			moved: z.record(z.string().regex(/^\d{1,3}$/), z.array(pin).min(1).max(3))
		})
		.optional()
});
export type Progress = z.infer<typeof progressSchema>;

/** What may be changed of a visit while it is open. */
export const visitChangesSchema = z
	.object({
		a4: a4Field,
		temperamentId: z.uuid(),
		stretch: z.union([z.literal(NO_STRETCH), z.uuid()], { error: 'Choose a curve, or none.' }),
		tolerance: z
			.number()
			.refine((value) => (TOLERANCES as readonly number[]).includes(value), 'Choose one of the tolerances.'),
		stage: z.enum(STAGES),
		note: limitedText(NOTE_LIMIT)
	})
	.partial();
export type VisitChangesForm = z.infer<typeof visitChangesSchema>;

/** Reads an A4 as it is typed, comma or point. */
export function parseA4(text: string): { value: number } | { problem: string } {
	const value = Number(text.trim().replace(',', '.'));
	if (text.trim() === '' || !Number.isFinite(value)) return { problem: 'Write A4 in hertz, such as 441.5.' };
	if (value < A4_RANGE.lowest || value > A4_RANGE.highest)
		return { problem: `${value} Hz is outside ${A4_RANGE.lowest} to ${A4_RANGE.highest} Hz.` };
	return { value };
}
