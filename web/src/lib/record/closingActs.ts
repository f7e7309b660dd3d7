import { BOOKED_MINUTES, LEARNINGS, OTHER_WORKS } from '@fendrel/core';
import { z } from 'zod';
import { act, line, said, word } from './actFields';

/** Acts of closing, as devices send them. */
export const closingActs = [
	z.object({ ...act, do: z.literal('advice'), advice: z.union([word, z.uuid()]), text: said, given: z.boolean() }),
	z.object({ ...act, do: z.literal('answer'), text: said }),
	z.object({ ...act, do: z.literal('word'), text: said, by: line }),
	z.object({ ...act, do: z.literal('again'), on: z.iso.date(), why: line }),
	z.object({
		...{ ...act, do: z.literal('alsoDue'), work: z.enum(OTHER_WORKS) },
		...{ on: z.iso.date().nullable(), why: line }
	}),
	z.object({
		...{ ...act, do: z.literal('book'), booking: z.uuid(), startsAt: z.iso.datetime() },
		...{
			minutes: z.number().int().min(BOOKED_MINUTES.least).max(BOOKED_MINUTES.most),
			promised: z.string().trim().max(1000)
		}
	}),
	z.object({ ...act, do: z.literal('forget'), what: z.enum(LEARNINGS) })
] as const;
