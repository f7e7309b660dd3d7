import { HIGHEST_LISTENED, MOMENTS, USUAL_HABITS } from '@fendrel/core';
import { z } from 'zod';

const register = z.object({
	to: z.number().int().min(0).max(127),
	partial: z.number().int().min(0).max(HIGHEST_LISTENED),
	moment: z
		.number()
		.min(MOMENTS.earliest, `A string is read ${MOMENTS.earliest} s after the strike at the earliest.`)
		.max(MOMENTS.latest, `A string is read ${MOMENTS.latest} s after the strike at the latest.`)
});

/** How a workshop listens: the usual registers, each with its partial and moment; null: as usual. */
export const habitsSchema = z
	.array(register)
	.length(USUAL_HABITS.length)
	.refine((given) => given.every(({ to }, i) => to === USUAL_HABITS[i].to), 'Those are not the registers.')
	.nullable();
