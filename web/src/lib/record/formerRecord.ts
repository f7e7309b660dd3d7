import { z } from 'zod';
import { FORMER_FORMAT } from './format';
import { moment } from './actFields';
import { groupNumber } from './actFields';
import { frequency, pinsSchema, struckFields } from './record';

/* What devices handed over before readings and acts were parted (format 1). It is accepted, not made any more. */

const FORMER_STRINGS = ['left', 'middle', 'right', 'open'] as const;

/** A reading with its marks; a note set by ear has no figures. */
const formerReadingSchema = z.object({
	...struckFields,
	id: z.uuid(),
	note: groupNumber,
	string: z.enum(FORMER_STRINGS),
	takenAt: moment,
	source: z.enum(['microphone', 'simulated', 'file', 'ear']),
	accepted: z.boolean(),
	found: z.boolean().default(false),
	pitch: frequency.nullable(),
	deviation: struckFields.deviation.nullable()
});
export type FormerReading = z.infer<typeof formerReadingSchema>;

const formerPlaceSchema = z.object({ currentNote: groupNumber.nullable(), moved: pinsSchema });

/** One request of then. */
export const formerProgressSchema = z.object({
	readings: z.array(formerReadingSchema).max(100),
	place: formerPlaceSchema.optional()
});

/** What waited on a device when it learned the present format. */
export const formerItemSchema = z.discriminatedUnion('kind', [
	z.object({
		format: z.literal(FORMER_FORMAT),
		kind: z.literal('reading'),
		visitId: z.uuid(),
		reading: formerReadingSchema
	}),
	z.object({
		format: z.literal(FORMER_FORMAT),
		kind: z.literal('place'),
		visitId: z.uuid(),
		id: z.uuid(),
		place: formerPlaceSchema
	})
]);
export type FormerItem = z.infer<typeof formerItemSchema>;
