import { isSounderId, type SounderId } from '@fendrel/core';
import { z } from 'zod';
import { limitedText } from '$lib/ui/fields';
import { LINE_LIMIT, NOTE_LIMIT } from '$lib/ui/limits';

/* What acts are made of. */
export const sounder = z.custom<SounderId>(
	(text) => typeof text === 'string' && isSounderId(text),
	'That names no sounder.'
);
export const counter = z
	.number()
	.int()
	.min(0)
	.max(2 ** 31 - 1);
/** A group's number: a note, a reed, a string; numbered in the family's own way. */
export const groupNumber = z.number().int().min(-999).max(2999);
/** By a device's clock, which may be years off: only the server's time is stored. */
export const moment = z.coerce.date();

/** What every act has. */
export const act = { id: z.uuid(), counter, doneAt: moment };
/** A name in a table of the core: a part, a grade, a caution. */
export const word = z.string().regex(/^[a-zA-Z][a-zA-Z0-9]{0,30}$/);
export const line = limitedText(LINE_LIMIT);
export const said = limitedText(NOTE_LIMIT);
