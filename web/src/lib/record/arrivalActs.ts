import { ATTACHMENT_KINDS, CLIMATE_SOURCES, CONSENTS, FINDING_STATES, PLAYED, VISIT_PURPOSES } from '@fendrel/core';
import { z } from 'zod';
import { act, line, said, sounder, word } from './actFields';

const brief = z
	.object({
		purpose: z.enum(VISIT_PURPOSES),
		due: z.iso.date().nullable(),
		played: z.enum(PLAYED).nullable(),
		wishes: said,
		complaint: said,
		pins: line
	})
	.partial();
/** Rooms that people tune in, in degrees Celsius. */
const ROOMS = { coldest: -20, warmest: 50 } as const;

/** Acts of arriving, as devices send them. */
export const arrivalActs = [
	z.object({ ...act, do: z.literal('brief'), brief }),
	z.object({
		...act,
		do: z.literal('climate'),
		temperature: z.number().min(ROOMS.coldest).max(ROOMS.warmest).nullable(),
		humidity: z.number().min(0).max(100).nullable(),
		by: z.enum(CLIMATE_SOURCES)
	}),
	z.object({ ...act, do: z.literal('part'), part: word, grade: word, note: said }),
	z.object({
		...act,
		do: z.literal('attach'),
		attachment: z.uuid(),
		part: word,
		kind: z.enum(ATTACHMENT_KINDS)
	}),
	z.object({
		...act,
		do: z.literal('finding'),
		finding: z.uuid(),
		part: word.nullable(),
		text: line.min(1),
		state: z.enum(FINDING_STATES)
	}),
	z.object({ ...act, do: z.literal('clear'), part: word, grade: word, by: line.min(1), reason: line.min(1) }),
	z.object({ ...act, do: z.literal('broke'), sounder }),
	z.object({
		...act,
		do: z.literal('programme'),
		name: line,
		weights: z.array(z.tuple([z.number().int().min(0).max(127), z.number().min(0).max(100)])).max(128)
	}),
	z.object({ ...act, do: z.literal('caution'), caution: word, text: said }),
	z.object({
		...act,
		do: z.literal('consent'),
		to: z.enum(CONSENTS),
		explained: said.min(1),
		by: line.min(1),
		from: line.min(1),
		given: z.boolean()
	})
] as const;
