import { A4_RANGE } from '@fendrel/core';
import { z } from 'zod';
import { tooLong } from './limits';

/** An A4 as the field is asked for everywhere. */
export const a4Field = z.coerce
	.number({ error: 'A4 is a number in hertz, such as 440.' })
	.min(A4_RANGE.lowest, `A4 lies between ${A4_RANGE.lowest} and ${A4_RANGE.highest} Hz.`)
	.max(A4_RANGE.highest, `A4 lies between ${A4_RANGE.lowest} and ${A4_RANGE.highest} Hz.`);

/** A text of limited length that says by how much it is too long. */
export function limitedText(limit: number) {
	return z.string().superRefine((text, context) => {
		const message = tooLong(text, limit);
		if (message) context.addIssue({ code: 'custom', message });
	});
}
