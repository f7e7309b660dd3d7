import {
	examineTuning,
	TEMPERAMENT_FAMILIES,
	fifthName,
	noteClassName,
	parseFraction,
	parseTempering,
	temperingText,
	USES,
	type Temperament,
	type Tuning
} from '@fendrel/core';
import { z } from 'zod';

/** A temperament without its place: what is designed, sent, imported and exported. */
export type Draft = Omit<Temperament, 'id'>;

/** A tuning as it is written: fifths as "1/6 P", "pure" or "wolf", offsets in cents, ratios as "3/2". */
export type WrittenTuning =
	| { readonly by: 'fifths'; readonly fifths: readonly string[] }
	| { readonly by: 'cents'; readonly offsets: readonly number[] }
	| { readonly by: 'ratios'; readonly ratios: readonly string[] };

export function written(tuning: Tuning): WrittenTuning {
	if (tuning.by === 'fifths')
		return { by: 'fifths', fifths: tuning.fifths.map((fifth) => (fifth === 'wolf' ? 'wolf' : temperingText(fifth))) };
	if (tuning.by === 'ratios') return { by: 'ratios', ratios: tuning.ratios.map(({ num, den }) => `${num}/${den}`) };
	return { by: 'cents', offsets: [...tuning.offsets] };
}

const MOST_TEXTS = 24;
const line = (most: number, what: string) =>
	z
		.string({ error: `The ${what} is a text.` })
		.trim()
		.max(most, `The ${what} has more than ${most} characters.`);

/** Reads a written list, naming the place that cannot be read. */
function readAll<T>(
	texts: readonly string[],
	read: (text: string) => T | undefined,
	why: (text: string, place: number) => string,
	context: z.RefinementCtx
): T[] {
	return texts.map((text, place) => {
		const value = read(text);
		if (value === undefined) context.addIssue({ code: 'custom', message: why(text, place) });
		return value as T;
	});
}

const texts = z.array(z.string()).max(MOST_TEXTS, 'A temperament has 12 values.');

const tuningSchema = z
	.discriminatedUnion(
		'by',
		[
			z.object({ by: z.literal('fifths'), fifths: texts }),
			z.object({
				by: z.literal('cents'),
				offsets: z
					.array(z.number({ error: 'An offset is not a number.' }))
					.max(MOST_TEXTS, 'A temperament has 12 values.')
			}),
			z.object({ by: z.literal('ratios'), ratios: texts })
		],
		{ error: 'The tuning is given by "fifths", by "cents" or by "ratios".' }
	)
	.transform((tuning, context): Tuning => {
		if (tuning.by === 'fifths') {
			const fifths = readAll(
				tuning.fifths,
				(text) => (text.trim().toLowerCase() === 'wolf' ? ('wolf' as const) : parseTempering(text)),
				(text, place) => `The fifth ${fifthName(place % 12)} is "${text}": write pure, 1/6 P, 1/4 S, -1/12 P or wolf.`,
				context
			);
			return { by: 'fifths', fifths };
		}
		if (tuning.by === 'ratios') {
			const ratios = readAll(
				tuning.ratios,
				parseFraction,
				(text, place) => `The ratio of ${noteClassName(place)} is "${text}": write one such as 3/2.`,
				context
			);
			return { by: 'ratios', ratios };
		}
		return tuning;
	})
	.superRefine((tuning, context) => {
		const { problem } = examineTuning(tuning);
		if (problem) context.addIssue({ code: 'custom', message: problem });
	});

export const draftSchema = z.object({
	name: line(80, 'name').min(1, 'Give the temperament a name.'),
	family: z
		.enum(TEMPERAMENT_FAMILIES, { error: `The family is one of: ${TEMPERAMENT_FAMILIES.join(', ')}.` })
		.default('well'),
	uses: z.array(z.enum(USES, { error: `A use is one of: ${USES.join(', ')}.` })).default([]),
	period: line(120, 'period').default(''),
	character: line(500, 'character').default(''),
	goodFor: line(500, '“good for”').default(''),
	source: line(500, 'source').default(''),
	tuning: tuningSchema
});

/** How many one file may bring. */
export const MOST_AT_ONCE = 200;
/** A file's text: far more than two hundred temperaments need. */
const MOST_TEXT = 400_000;

/** What the page sends to keep a temperament; `confirmed` answers the questions that unusual ones raise. */
export const keepSchema = z.object({
	draft: z.unknown(),
	confirmed: z.boolean().default(false),
	/** The version that is changed. */
	version: z.number().int().min(0).optional()
});

export const importSchema = z.object({
	text: z.string().max(MOST_TEXT, 'The file is larger than 400 kB.'),
	confirmed: z.boolean().default(false),
	/** Names that are taken get a number behind them. */
	rename: z.boolean().default(false)
});

/** The server's answer to both. */
export type KeepResult =
	| { readonly kind: 'kept'; readonly slugs: readonly string[]; readonly names: readonly string[] }
	| { readonly kind: 'ask'; readonly questions: readonly string[] }
	| { readonly kind: 'refused'; readonly problems: readonly string[] };
