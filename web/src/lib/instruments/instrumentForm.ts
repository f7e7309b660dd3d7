import { INSTRUMENT_KINDS, readNote } from '@fendrel/core';
import { z } from 'zod';
import { neckFields, neckFrom } from './neckForm';
import { reedFields, reedSetFrom } from './reedForm';
import { a4Field, limitedText } from '$lib/ui/fields';

/** Compass that an instrument may have, as notes: C0 to C8. */
const LOWEST = 12;
const HIGHEST = 108;
const NOTES_LIMIT = 4000;

const noteField = z.string().trim().default('');

const shortText = z.string().trim().max(120, 'At most 120 characters.');

export const instrumentSchema = z
	.object({
		name: shortText.min(1, 'Give the instrument a name you will know it by.'),
		kind: z.enum(INSTRUMENT_KINDS),
		location: shortText,
		town: shortText,
		/** Which of the places that are written alike is meant, once that was asked. */
		place: z.string().max(60).default(''),
		maker: shortText,
		madeIn: z
			.string()
			.trim()
			.refine(
				(text) => text === '' || (/^\d{4}$/.test(text) && +text >= 1400 && +text <= 2100),
				'Write the year with four digits, or leave it blank.'
			),
		lowest: noteField,
		highest: noteField,
		usualA4: a4Field,
		notes: limitedText(NOTES_LIMIT),
		...reedFields,
		...neckFields,
		/** Which version the form was filled from. */
		version: z.coerce.number().int().min(0).default(0)
	})
	.superRefine((form, context) => {
		const { kind, lowest, highest } = form;
		if (kind === 'reeds') {
			const told = reedSetFrom(form);
			if ('field' in told) context.addIssue({ code: 'custom', path: [told.field], message: told.text });
			return;
		}
		if (kind === 'frets') {
			const told = neckFrom(form);
			if ('field' in told) context.addIssue({ code: 'custom', path: [told.field], message: told.text });
			return;
		}
		const low = readNote(lowest);
		const high = readNote(highest);
		for (const [path, note] of [
			['lowest', low],
			['highest', high]
		] as const)
			if (note === undefined)
				context.addIssue({ code: 'custom', path: [path], message: 'Write a note such as A0, F1 or C8.' });
		if (low === undefined || high === undefined) return;
		if (low < LOWEST || high > HIGHEST)
			context.addIssue({
				code: 'custom',
				path: [low < LOWEST ? 'lowest' : 'highest'],
				message: 'The compass lies within C0 to C8.'
			});
		else if (high - low < 12)
			context.addIssue({
				code: 'custom',
				path: ['highest'],
				message: 'The highest note lies at least an octave above the lowest.'
			});
	});

/** A place that is written like the one that was typed. */
export interface AlikePlace {
	readonly id: string;
	readonly name: string;
	readonly town: string;
}

export type InstrumentForm = z.infer<typeof instrumentSchema>;
