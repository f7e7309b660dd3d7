import { DRILLS } from '@fendrel/core';
import { z } from 'zod';

/** So many answers a sitting has at most: whoever goes on begins another. */
export const MOST_TRIALS = 200;

/** A sitting as it is kept: what was played, and whether the answer was right. */
export const sittingSchema = z
	.object({
		drill: z.enum(DRILLS.map(({ id }) => id) as [string, ...string[]]),
		register: z.string().max(20),
		beganAt: z.iso.datetime({ error: 'That is no time.' }),
		trials: z
			.array(z.object({ size: z.number().positive().max(1000), isRight: z.boolean() }))
			.min(1)
			.max(MOST_TRIALS)
	})
	.refine(
		({ drill, register }) =>
			DRILLS.some(({ id, registers }) => id === drill && registers.some((each) => each.id === register)),
		'There is no such drill.'
	);
export type SentSitting = z.infer<typeof sittingSchema>;
