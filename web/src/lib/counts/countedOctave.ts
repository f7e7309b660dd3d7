import { A4_RANGE, COUNTED_OCTAVES, STRING_KINDS } from '@fendrel/core';
import { z } from 'zod';
import { EAR_NAMES } from '$lib/tuning/ears';
import { stretchWordSchema } from '$lib/tuning/stretchWordSchema';
import { typedNumber } from '$lib/ui/typed';

export const SENSES = ['wide', 'narrow', 'unknown'] as const;

export const COUNTERS = ['ear', 'app'] as const;

/** Faster than this nobody counts. */
const FASTEST_RATE = 40;

const note = z.number().int().min(12).max(108);

const heardB = z.number().min(0).max(0.1);

export const enteredCountSchema = z
	.object({
		lower: note,
		upper: note,
		rate: z
			.number({ error: 'A rate is a number of beats per second.' })
			.min(0, 'A rate is 0 or more; wide or narrow is chosen beside it.')
			.max(FASTEST_RATE, `No ear counts more than ${FASTEST_RATE} beats per second.`),
		sense: z.enum(SENSES),
		/** Who counted. */
		by: z.enum(COUNTERS).default('ear'),
		/** Standard error of a count by the app, per second; an ear's follows from how sure it is. */
		error: z.number().min(0).max(5).optional(),
		/** B of the lower and of the upper note, as the app heard them. */
		inharmonicity: z.tuple([heardB, heardB]).optional()
	})
	.refine(({ lower, upper }) => upper > lower, 'The upper note lies above the lower one.')
	.refine(({ by, error }) => (by === 'app') === (error !== undefined), 'A count by the app comes with its error.');
export type EnteredCount = z.infer<typeof enteredCountSchema>;

/** Octaves that a board can be laid out for. */
export const isCountable = (low: number): boolean => COUNTED_OCTAVES.some((octave) => octave.low === low);

export const countedOctaveSchema = z
	.object({
		instrumentId: z.uuid().nullable(),
		kind: z.enum(STRING_KINDS),
		temperamentId: z.uuid(),
		a4: z.number().min(A4_RANGE.lowest).max(A4_RANGE.highest),
		stretch: stretchWordSchema.prefault('none'),
		low: note.refine(isCountable, 'Beats are counted in the octaves that the page offers.'),
		reference: note,
		ear: z.enum(EAR_NAMES),
		counts: z.array(enteredCountSchema).min(1, 'Nothing has been counted yet.').max(100),
		verdict: z.string().max(300)
	})
	.refine(({ low, reference }) => reference >= low && reference <= low + 12, {
		path: ['reference'],
		error: 'The reference is a note of the octave.'
	})
	.refine(({ low, counts }) => counts.every(({ lower, upper }) => lower >= low && upper <= low + 12), {
		path: ['counts'],
		error: 'Counts are of notes within the octave.'
	});
export type CountedOctave = z.infer<typeof countedOctaveSchema>;

/** Reads a rate as people type it; undefined for an empty field. */
export function parseRate(text: string): { readonly rate?: number; readonly problem?: string } {
	if (text.trim() === '') return {};
	const rate = typedNumber(text);
	if (!(rate >= 0)) return { problem: `“${text}” is not a rate: write beats per second, such as 6.9.` };
	return rate > FASTEST_RATE ? { problem: `No ear counts ${text} beats per second.` } : { rate };
}
