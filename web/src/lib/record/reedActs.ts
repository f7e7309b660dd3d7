import { AUDIBLE, BITE_RULES, BREATHS, LEVELS, REED_ENDS, SET_UPS } from '@fendrel/core';
import { z } from 'zod';
import { act, groupNumber, sounder } from './actFields';
import { pluckedSchema } from './fretActs';

/*
 * What is told of free reeds: tones that last, what was filed, bends, where reeds are planned to stand.
 */
/** Decibels relative to full scale. */
const level = z.number().min(-200).max(60);
/** Nothing falls faster with the breath, in cents a decibel. */
const slope = z.number().min(-20).max(20);
const MOST_CENTS = 1200;
/** Strokes of one bite. */
const MOST_STROKES = 200;
const frequency = z.number().min(AUDIBLE.lowest).max(AUDIBLE.highest);

export const breath = z.enum(BREATHS).nullable().optional();

export const lastingSchema = z.object({
	level,
	softest: level,
	slope: slope.nullable(),
	slopeError: z.number().min(0).max(20).nullable(),
	wobble: z.number().min(0).max(MOST_CENTS),
	drift: z.number().min(-MOST_CENTS).max(MOST_CENTS),
	setUp: z.enum(SET_UPS),
	plucked: pluckedSchema.nullable().optional()
});

/** How far a reed of one's own may stand from equal, in cents. */
const offset = z.number().min(-100).max(100);
export const intonationSchema = z.object({
	level: z.enum(LEVELS),
	share: z.number().min(0).max(1),
	seventh: offset.nullable(),
	ninth: offset.nullable(),
	own: z.record(z.string().regex(/^([0-9]|1[01])$/, 'A degree is 0 to 11 semitones above the tonic.'), offset),
	gentle: level.nullable(),
	playing: level.nullable(),
	bite: z.enum(BITE_RULES)
});

export const reedActs = [
	z.object({
		...act,
		do: z.literal('filed'),
		sounders: z.array(sounder).length(1),
		end: z.enum(REED_ENDS),
		strokes: z.number().int().min(1).max(MOST_STROKES)
	}),
	z.object({
		...act,
		do: z.literal('bent'),
		group: groupNumber,
		beneath: groupNumber,
		floor: frequency,
		over: frequency
	})
] as const;
