import { CHOIRS, MOST_STRINGS } from '@fendrel/core';
import { z } from 'zod';

const note = z.number().int().min(0).max(127);

/** How an instrument is strung, as it is sent; whether it fits the keyboard is asked where that is known. */
export const stringingSchema = z.object({
	lowest: note,
	sections: z
		.array(z.object({ to: note, strings: z.number().int().min(1).max(MOST_STRINGS), wound: z.boolean() }))
		.min(1)
		.max(24),
	choirs: z
		.array(
			z.object({
				id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,15}$/),
				name: z.string().min(1).max(40),
				octave: z.number().int().min(0).max(2).optional()
			})
		)
		.min(1)
		.max(CHOIRS.length)
});

/** null: back to what its kind usually has. */
export const keptStringingSchema = z.object({ stringing: stringingSchema.nullable() });
