import { PRIORITY_IDS } from '@fendrel/core';
import { z } from 'zod';
import { TOP_RANGE, type CurveChoice } from './curve';

const priority = z.enum(PRIORITY_IDS, { error: 'There is no such priority. Choose one of the list.' });

/** As far from equal temperament as any curve goes, in cents. */
const FURTHEST = 150;

/** What is wished of a curve, as it is stored and sent. */
export const wishSchema: z.ZodType<CurveChoice> = z.object({
	lead: priority,
	with: priority.nullable(),
	/** Share of the second priority, 0 to 1. */
	share: z.number().min(0).max(1),
	/** Cents more at C8. */
	top: z
		.number()
		.min(TOP_RANGE.lowest, `The top takes ${TOP_RANGE.lowest} to +${TOP_RANGE.highest} cents.`)
		.max(TOP_RANGE.highest, `The top takes ${TOP_RANGE.lowest} to +${TOP_RANGE.highest} cents.`),
	/** Notes set by ear, in cents from equal temperament. */
	held: z.record(
		z.string().regex(/^\d{1,3}$/),
		z
			.number()
			.min(-FURTHEST, `No note lies more than ${FURTHEST} cents from equal temperament.`)
			.max(FURTHEST, `No note lies more than ${FURTHEST} cents from equal temperament.`)
	)
});
