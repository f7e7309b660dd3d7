import { MOST_FRETS, MOST_MOVED, STRING_ORDERS } from '@fendrel/core';
import { z } from 'zod';
import { act, groupNumber, line } from './actFields';

/*
 * What is told of frets: moves of tied ones, wolf notes, how strings and frets are planned.
 */
const millimetres = z.number().min(-MOST_MOVED).max(MOST_MOVED);
const MOST_STRINGS = 14;

const capo = z.number().int().min(0).max(MOST_FRETS);
const touch = z.number().min(0).max(1);
const MOST_CHORDS = 60;
const MOST_KEPT = 30;

/** How a string over fixed frets was plucked. */
export const pluckedSchema = z.object({ capo, touch, isHarmonic: z.boolean() });

const offsetsSchema = z.object({
	capo,
	touch,
	step: z.number().min(0).max(10),
	chords: z
		.array(
			z.object({ name: z.string().trim().min(1).max(30), fingering: line, capo, weight: z.number().min(0).max(4) })
		)
		.max(MOST_CHORDS),
	kept: z
		.array(
			z.object({
				name: z.string().trim().min(1).max(60),
				offsets: z.array(z.number().min(-100).max(100)).max(MOST_STRINGS),
				capo,
				touch
			})
		)
		.max(MOST_KEPT),
	use: z.string().max(60)
});

export const fretsSchema = z.object({
	order: z.enum(STRING_ORDERS),
	spelled: z.array(groupNumber).max(MOST_STRINGS * MOST_FRETS),
	weights: z.array(z.number().min(0).max(4)).max(MOST_STRINGS),
	keys: line,
	step: z.number().min(0).max(5),
	offsets: offsetsSchema.nullable().optional()
});

export const fretActs = [
	z.object({
		...act,
		do: z.literal('fretMoved'),
		fret: z.number().int().min(1).max(MOST_FRETS),
		low: millimetres,
		high: millimetres
	}),
	z.object({
		...act,
		do: z.literal('wolf'),
		note: z.number().int().min(0).max(127),
		tried: line,
		did: line
	})
] as const;
