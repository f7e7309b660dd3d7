import { DRILLS, drillOf } from '@fendrel/core';
import { z } from 'zod';

/** So many answers a sitting has at most: whoever goes on begins another. */
export const MOST_TRIALS = 200;

const told = z.object({
	size: z.number().positive().max(1000),
	isRight: z.boolean(),
	way: z.union([z.literal(-1), z.literal(1)]).optional()
});
const figure = z.number().min(-1000).max(1000);
const tries = z.number().int().min(0).max(10_000);
const move = z.object({ asked: figure, set: figure });
const set = z.object({
	...{ from: figure, asked: figure, set: figure, tries },
	seconds: z.number().min(0).max(86_400),
	note: z.number().int().min(0).max(127).optional(),
	last: z.union([z.literal(-1), z.literal(1)]).optional(),
	moves: z.array(move).max(100).optional()
});

/** A sitting as it is kept: what was played and whether the answer was right, or what was asked and how it was set. */
export const sittingSchema = z
	.object({
		drill: z.enum(DRILLS.map(({ id }) => id) as [string, ...string[]]),
		register: z.string().max(20),
		beganAt: z.iso.datetime({ error: 'That is no time.' }),
		/** The device's clock as it is sent: a clock that is wrong is wrong in both. */
		sentAt: z.iso.datetime({ error: 'That is no time.' }).optional(),
		trials: z
			.array(z.union([told, set]))
			.min(1)
			.max(MOST_TRIALS)
	})
	.refine(
		({ drill, register }) => drillOf(drill)?.registers.some((each) => each.id === register),
		'There is no such drill.'
	)
	.refine(
		({ drill, trials }) => trials.every((trial) => 'size' in trial === (drillOf(drill)?.kind === 'choice')),
		'These are no answers to that drill.'
	);
export type SentSitting = z.infer<typeof sittingSchema>;
