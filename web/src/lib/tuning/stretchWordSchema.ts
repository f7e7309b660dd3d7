import { PRIORITY_IDS } from '@fendrel/core';
import { z } from 'zod';
import { NO_STRETCH, NONE, stretchByCurve, type Stretch } from './stretch';

/** A stretch as an address or a field of a form has it: one word, read here and nowhere else. */
export const stretchWordSchema = z.union([
	z.literal(NONE).transform((): Stretch => NO_STRETCH),
	z.enum(PRIORITY_IDS).transform((lead): Stretch => ({ by: 'priority', lead })),
	z.uuid().transform(stretchByCurve)
]);
