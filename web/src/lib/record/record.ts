import {
	A4_RANGE,
	AUDIBLE,
	BY_EAR,
	HIGHEST_LISTENED,
	MARKS,
	OUTWARDS,
	PLAN_FIELDS,
	PRIORITY_IDS,
	PURPOSES,
	RAISE_ORDERS,
	RAISE_SCHOOLS,
	SOUND_SOURCES,
	STAGES,
	TEMPERAMENT_ORDERS,
	TOLERANCES,
	UNISON_ORDERS,
	UNISONS,
	WAYS,
	type RaiseOrder,
	type RaiseSchool
} from '@fendrel/core';
import { z } from 'zod';
import { wishSchema } from '$lib/tuning/wishSchema';
import { limitedText } from '$lib/ui/fields';
import { NOTE_LIMIT } from '$lib/ui/limits';
import { act, counter, groupNumber, moment, sounder, word } from './actFields';
import { arrivalActs } from './arrivalActs';
import { closingActs } from './closingActs';
import { fretActs, fretsSchema } from './fretActs';
import { breath, intonationSchema, lastingSchema, reedActs } from './reedActs';
import { FORMAT } from './format';

/*
 * What a device hands over to the server: visits begun, readings, acts, and what the simulated instrument's lever has
 * moved. Every item carries the number of its format; the server takes the present one and the one before
 * (formerRecord.ts).
 */
/** What sounds together: the strings of a note in all its choirs at most. */
const sounders = z.array(sounder).min(1).max(9);
export const frequency = z.number().min(AUDIBLE.lowest).max(AUDIBLE.highest);
/** Standard errors of cents: what is less sure than an octave is not known. */
const error = z.number().min(0).max(1200);
/** Nothing that devices from before knew of. */
const figure = (most: number) => z.number().min(0).max(most).nullable().default(null);
/** Levels in decibels re full scale. */
const LEVELS = { lowest: -200, highest: 60 } as const;
/** B of the stiffest strings there are is some hundredths. */
const HIGHEST_B = 0.3;

const partialSchema = z.object({
	partial: z.number().int().min(1).max(64),
	frequency,
	/** In Hz. */
	error: z.number().min(0).max(1000),
	level: z.number().min(LEVELS.lowest).max(LEVELS.highest),
	/** Seconds to 1/e; null when it did not fall. */
	decay: z.number().min(1e-3).max(1000).nullable().optional()
});

/** What is measured of a struck string, with the bounds of what strings can do. */
export const struckFields = {
	pitch: frequency,
	pitchError: error.nullable(),
	fundamental: frequency.nullable(),
	inharmonicity: z.number().min(0).max(HIGHEST_B).nullable(),
	inharmonicityError: z.number().min(0).max(1).nullable(),
	moment: z.number().min(0).max(60).nullable(),
	listened: z.number().int().min(1).max(HIGHEST_LISTENED).nullable().default(null),
	falseBeat: figure(100),
	falseBeatDepth: figure(1),
	spread: figure(400),
	spreadError: figure(400),
	target: frequency,
	deviation: z.number().min(-12_000).max(12_000),
	partials: z.array(partialSchema).max(64)
};

const sentReadingSchema = z
	.object({
		way: z.enum(WAYS),
		id: z.uuid(),
		counter,
		/** By the device's clock. */
		takenAt: moment,
		sounders,
		source: z.enum(SOUND_SOURCES),
		...struckFields,
		lasting: lastingSchema.nullable().optional()
	})
	.refine(({ way, lasting }) => (way === 'lasting') === Boolean(lasting), {
		path: ['lasting'],
		error: 'A tone that lasts says how loud it was.'
	});
export type SentReading = z.infer<typeof sentReadingSchema>;

/** Most versions that one is written over. */
const MOST_OVER = 40;
const over = z.array(z.uuid()).max(MOST_OVER);

const a4 = z.number().min(A4_RANGE.lowest).max(A4_RANGE.highest);
const tolerance = z
	.number()
	.refine((value) => (TOLERANCES as readonly number[]).includes(value), 'Choose one of the tolerances.');
/** How far above their targets strings are set at most, in cents. */
const CAPS = { least: 0, most: 60 } as const;
const MOST_PASSES = 9;
const MOST_RUNS = 40;
const raise = z.object({
	school: z.enum(RAISE_SCHOOLS.map(({ id }) => id) as [RaiseSchool, ...RaiseSchool[]]),
	order: z.enum(RAISE_ORDERS.map(({ id }) => id) as [RaiseOrder, ...RaiseOrder[]]),
	cap: z.number().min(CAPS.least).max(CAPS.most),
	/** Nothing that devices from before knew of. */
	own: z
		.array(z.tuple([groupNumber, groupNumber]))
		.max(MOST_RUNS)
		.default([]),
	unisons: z.enum(UNISONS).default('together'),
	pass: z.number().int().min(0).max(MOST_PASSES)
});
const order = z.object({
	first: z.enum(TEMPERAMENT_ORDERS.map(({ id }) => id) as [string, ...string[]]),
	octave: groupNumber,
	outwards: z.enum(OUTWARDS),
	unisons: z.enum(UNISON_ORDERS),
	byEar: z.enum(BY_EAR)
});
/** As many notes as the widest keyboards have, and more. */
const MOST_NOTES = 128;
/** As far as any note is stretched, or left from where it belongs, in cents. */
const FURTHEST = 200;
const planSchema = z
	.object({
		id: z.uuid(),
		a4,
		temperamentId: z.uuid(),
		tolerance,
		curveId: z.uuid().nullable(),
		lead: z.enum(PRIORITY_IDS).nullable(),
		/** Nothing that devices from before knew of. */
		raise: raise.nullable().default(null),
		touch: z
			.array(z.object({ note: groupNumber, above: z.number().min(-FURTHEST).max(FURTHEST) }))
			.min(1)
			.max(MOST_NOTES)
			.nullable()
			.default(null),
		order: order.nullable().default(null),
		intonation: intonationSchema.nullable().optional(),
		frets: fretsSchema.nullable().optional()
	})
	.refine(({ curveId, lead }) => curveId === null || lead === null, 'A plan has one curve.');

/** A curve that was drawn and taken on a device. */
const takenCurveSchema = z.object({
	id: z.uuid(),
	madeAt: moment,
	wish: wishSchema,
	lowest: groupNumber,
	deviations: z.array(z.number().min(-FURTHEST).max(FURTHEST)).min(1).max(MOST_NOTES),
	notesRead: z.number().int().min(0).max(MOST_NOTES)
});
export type TakenCurve = z.infer<typeof takenCurveSchema>;
/** A plan that takes a new curve brings it along. */
const curve = takenCurveSchema.optional();

/** How many constants a raise learns, and the bounds of their logarithms. */
const LEARNED = 6;
const logarithm = z.number().min(-10).max(10);
/** Partials up to the sixteenth meet; nothing beats faster than this and is still a beat. */
const heardPartial = z.number().int().min(1).max(16);
const FASTEST_HEARD = 60;
/** Notes of a chord, and how far one of them may stand off, in cents. */
const MOST_IN_CHORD = 10;
const LARGEST_OFF = 600;
const sentActSchema = z.discriminatedUnion('do', [
	z.object({
		...act,
		do: z.literal('accept'),
		sounders,
		purpose: z.enum(PURPOSES),
		pass: z.number().int().min(0).max(99),
		reading: z.uuid().nullable(),
		setTo: frequency.nullable(),
		final: frequency.nullable(),
		plan: z.uuid().nullable()
	}),
	z.object({ ...act, do: z.literal('takeBack'), act: z.uuid() }),
	z.object({ ...act, do: z.literal('discard'), reading: z.uuid() }),
	z.object({ ...act, do: z.literal('place'), group: groupNumber.nullable() }),
	z.object({ ...act, do: z.literal('stage'), stage: z.enum(STAGES) }),
	z.object({ ...act, do: z.literal('mark'), sounders, as: z.enum(MARKS), on: z.boolean() }),
	z.object({
		...act,
		do: z.literal('plan'),
		plan: planSchema,
		wrote: z.array(z.enum(PLAN_FIELDS)).min(1).max(PLAN_FIELDS.length),
		over,
		curve
	}),
	z.object({ ...act, do: z.literal('note'), text: limitedText(NOTE_LIMIT), over }),
	z.object({ ...act, do: z.literal('finish') }),
	z
		.object({
			...act,
			do: z.literal('heard'),
			lower: groupNumber,
			upper: groupNumber,
			lowerPartial: heardPartial,
			upperPartial: heardPartial,
			rate: z.number().min(-FASTEST_HEARD).max(FASTEST_HEARD),
			error: z.number().min(0).max(FASTEST_HEARD),
			sense: z.enum(['wide', 'narrow']).nullable(),
			breath
		})
		.refine(({ lower, upper }) => lower < upper, {
			path: ['upper'],
			error: 'The upper note lies above the lower one.'
		}),
	z.object({
		...act,
		do: z.literal('chord'),
		root: z.number().int().min(0).max(11),
		kind: word,
		notes: z
			.array(
				z.object({
					note: groupNumber,
					cents: z.number().min(-LARGEST_OFF).max(LARGEST_OFF).nullable(),
					error: z.number().min(0).max(LARGEST_OFF).nullable(),
					apart: z.number().min(0).max(LARGEST_OFF)
				})
			)
			.min(2)
			.max(MOST_IN_CHORD)
	}),
	z.object({
		...act,
		do: z.literal('learned'),
		learned: z.object({
			means: z.array(logarithm).length(LEARNED),
			covariance: z.array(z.array(logarithm).length(LEARNED)).length(LEARNED),
			own: z.array(z.tuple([groupNumber, logarithm, z.number().min(0).max(10)])).max(MOST_NOTES),
			raises: z.number().int().min(0).max(999)
		})
	}),
	...reedActs,
	...fretActs,
	z.object({ ...act, do: z.literal('pinFound'), sounder, place: z.number().int().min(-20).max(200) }),
	...arrivalActs,
	...closingActs
]);
export type SentAct = z.infer<typeof sentActSchema>;

const standing = z.number().min(-2400).max(2400);
const pin = z.object({
	pin: standing,
	speaking: standing,
	creep: z.object({ quick: standing, slow: standing, at: z.number() }).optional(),
	freed: z.boolean().optional(),
	broken: z.boolean().optional()
});
/** Strings that the simulated instrument's lever has moved, by group. */
export const pinsSchema = z.record(z.string().regex(/^-?\d{1,4}$/), z.array(pin).min(1).max(9));

/** A visit that was begun on a device; the act that plans it has the same number. */
const begunSchema = z.object({
	id: z.uuid(),
	counter,
	startedAt: moment,
	instrumentId: z.uuid(),
	plan: planSchema,
	curve
});
export type Begun = z.infer<typeof begunSchema>;

/** `device` is whoever made it: it may be sent by another window, much later. */
const item = { format: z.literal(FORMAT), visitId: z.uuid(), device: z.uuid() };
export const itemSchema = z.discriminatedUnion('kind', [
	z.object({ ...item, kind: z.literal('reading'), reading: sentReadingSchema }),
	z.object({ ...item, kind: z.literal('act'), act: sentActSchema }),
	z.object({ ...item, kind: z.literal('begin'), begin: begunSchema }),
	/** The groups that were moved, and when the last of them was. */
	z.object({ ...item, kind: z.literal('pins'), id: z.uuid(), at: moment.optional(), moved: pinsSchema })
]);
export type Item = z.infer<typeof itemSchema>;

const MOST_ITEMS = 100;
/** Items are checked one by one: a bad one is refused by itself. */
export const batchSchema = z.object({
	/** What the device's clock says while it sends. */
	now: moment,
	/** By how many milliseconds the server's time is ahead of the clock that some device went by, where that was measured. */
	clocks: z.record(z.uuid(), z.number()).optional(),
	/** Who made these, by their account: another who has signed in meanwhile does not send them. */
	as: z.uuid().optional(),
	items: z.array(z.unknown()).max(MOST_ITEMS)
});
