import {
	ACCIDENTALS,
	EXAMINED,
	NOTE_LETTERS,
	RAISE_ORDERS,
	RAISE_SCHOOLS,
	UNISONS,
	VISIT_PURPOSES,
	type RaiseOrder,
	type RaiseSchool
} from '@fendrel/core';
import { z } from 'zod';

function number(least: number, most: number) {
	const error = `a number from ${least} to ${most} belongs there.`;
	return z.number({ error }).min(least, error).max(most, error);
}

const purpose = z
	.object({
		tolerance: number(0, 20),
		unison: number(0.05, 3),
		touchUp: number(0, 50),
		tune: number(0, 50),
		correct: number(0, 100),
		followUp: number(10, 400)
	})
	.refine(
		({ touchUp, tune, correct, followUp }) => touchUp <= tune && tune <= correct && correct <= followUp,
		'work grows with what is off: touching up, then one tuning, then a pass first, then coming again. Each limit is at least the one before it.'
	);
const tariff = (most: number) =>
	z.object({
		visit: number(0, most),
		note: number(0, most),
		tuning: number(0, most),
		pass: number(0, most)
	});
const band = z
	.object({ none: number(0, 50), one: number(0, 50), two: number(0, 50), weight: number(0, 10) })
	.refine(({ none, one, two }) => none <= one && one <= two, 'limits grow: each is at least the one before it.');
const months = number(0.25, 60);

/** What a workshop decides, as it is sent and kept. */
export const settingsSchema = z.object({
	purposes: z.object(
		Object.fromEntries(VISIT_PURPOSES.map((id) => [id, purpose])) as Record<
			(typeof VISIT_PURPOSES)[number],
			typeof purpose
		>
	),
	raise: z.object({
		school: z.enum(RAISE_SCHOOLS.map(({ id }) => id) as [RaiseSchool, ...RaiseSchool[]]),
		order: z.enum(RAISE_ORDERS.map(({ id }) => id) as [RaiseOrder, ...RaiseOrder[]]),
		cap: number(0, 60),
		own: z
			.array(z.tuple([z.number().int(), z.number().int()]))
			.max(40)
			.optional(),
		unisons: z.enum(UNISONS).optional()
	}),
	minutes: tariff(600),
	price: tariff(1_000_000),
	currency: z.string().trim().max(6, 'A currency is a sign or a few letters.'),
	again: z.object({
		inUse: months,
		hardly: months,
		stage: months
	}),
	writing: z
		.object({
			letters: z.enum(NOTE_LETTERS),
			accidentals: z.enum(ACCIDENTALS),
			decimal: z.enum(['point', 'comma']),
			temperature: z.enum(['celsius', 'fahrenheit']),
			length: z.enum(['mm', 'inch']),
			weekStart: z.enum(['monday', 'sunday'])
		})
		.optional(),
	examination: z
		.object(Object.fromEntries(EXAMINED.map((id) => [id, band])) as Record<(typeof EXAMINED)[number], typeof band>)
		.optional()
});
