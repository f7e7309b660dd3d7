import { MOST_FRETS, MOST_MOVED, STRING_ORDERS } from '@fendrel/core';
import { z } from 'zod';
import { act, groupNumber, line } from './actFields';

/*
 * What is told of frets: moves of tied ones, wolf notes, how strings and frets are planned.
 */
const millimetres = z.number().min(-MOST_MOVED).max(MOST_MOVED);
const MOST_STRINGS = 14;

export const fretsSchema = z.object({
	order: z.enum(STRING_ORDERS),
	spelled: z.array(groupNumber).max(MOST_STRINGS * MOST_FRETS),
	weights: z.array(z.number().min(0).max(4)).max(MOST_STRINGS),
	keys: line,
	step: z.number().min(0).max(5)
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
