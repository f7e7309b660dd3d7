import { CENTS_PER_DEGREE, compromise, equalHz, hz, noteName, type Beside, type Compromise } from '@fendrel/core';
import { max, mean } from 'd3-array';
import { z } from 'zod';
import { a4Field } from '$lib/ui/fields';
import { fixed, inHz } from '$lib/ui/format';
import { temperatureFigure, temperatureWords, typedCelsius } from '$lib/ui/measures';

/** Instruments that nobody has in the register: they stand in equal temperament at a pitch. */
export const STANDING = [
	{ id: 'organ', name: 'An organ with flue pipes', lowest: 36, highest: 91 },
	{ id: 'vibraphone', name: 'A vibraphone', lowest: 53, highest: 89 }
] as const;
export type Standing = (typeof STANDING)[number]['id'];
export const isStanding = (id: string): id is Standing => STANDING.some((each) => each.id === id);

/** How readily each gives way: what a squared cent of its moves costs against one between the two. */
export const READINESS = [
	{ id: 'stays', label: 'stays', cost: Infinity },
	{ id: 'little', label: 'gives way a little', cost: 1 },
	{ id: 'readily', label: 'gives way', cost: 0.05 }
] as const;
type Readiness = (typeof READINESS)[number]['id'];

const side = z.union([z.uuid(), z.enum(STANDING.map(({ id }) => id))]);
const readiness = z.enum(READINESS.map(({ id }) => id));
const ROOMS = { coldest: -10, warmest: 45 } as const;
const noRoom = () =>
	`Temperatures lie between ${temperatureFigure(ROOMS.coldest, 0)} and ${temperatureWords(ROOMS.warmest, 0)}.`;
const degrees = z
	.union([z.number(), z.string().transform(typedCelsius)])
	.pipe(
		z
			.number({ error: 'Write the temperature as a figure, as in 18.' })
			.min(ROOMS.coldest, { error: noRoom })
			.max(ROOMS.warmest, { error: noRoom })
	);

/** Who stands beside whom, as an address says it. */
export const besideSchema = z.object({
	first: side.optional(),
	second: side.optional(),
	firstGives: readiness.default('readily'),
	secondGives: readiness.default('stays'),
	/** Of what is not in the register. */
	a4: a4Field.default(440),
	/** What an organ was read at, and what it is played at. */
	read: degrees.default(18),
	played: degrees.default(18)
});
export type BesideChoice = z.infer<typeof besideSchema>;

/** An instrument as it stands: cents from equal temperament at 440 by note. */
export interface Stands {
	readonly id: string;
	readonly name: string;
	readonly levels: readonly (readonly [note: number, cents: number])[];
}

const A440 = hz(440);
/** What is not in the register, as it sounds at that temperature. */
export function standing(id: Standing, { a4, read, played }: Pick<BesideChoice, 'a4' | 'read' | 'played'>): Stands {
	const { name, lowest, highest } = STANDING.find((each) => each.id === id)!;
	const warmer = id === 'organ' ? CENTS_PER_DEGREE * (played - read) : 0;
	const level = 1200 * Math.log2(a4 / A440) + warmer;
	return { id, name, levels: Array.from({ length: highest - lowest + 1 }, (_, i) => [lowest + i, level]) };
}

/** What two instruments come to. */
export interface BesideAccount {
	readonly notes: readonly Compromise[];
	/** Means of all shared notes, in cents: the second over the first, and what each is moved by. */
	readonly apart: number;
	readonly first: number;
	readonly second: number;
	/** The unison that beats most, now and then. */
	readonly now: Beating;
	readonly then: Beating;
}
export interface Beating {
	readonly note: number;
	readonly rate: number;
}

function worstOf(notes: readonly Compromise[], apartOf: (each: Compromise) => number): Beating {
	const beats = notes.map((each) => ({
		note: each.note,
		rate: equalHz(each.note, A440) * Math.abs(2 ** (apartOf(each) / 1200) - 1)
	}));
	const most = max(beats, ({ rate }) => rate)!;
	return beats.find(({ rate }) => rate === most)!;
}

/** @returns undefined where they share no note that was read */
export function besideAccount(
	first: Stands,
	second: Stands,
	{ firstGives, secondGives }: Pick<BesideChoice, 'firstGives' | 'secondGives'>
): BesideAccount | undefined {
	const costOf = (id: Readiness) => READINESS.find((each) => each.id === id)!.cost;
	const as = ({ levels }: Stands, gives: Readiness): Beside => ({ levels: new Map(levels), cost: costOf(gives) });
	const notes = compromise(as(first, firstGives), as(second, secondGives));
	if (notes.length === 0) return undefined;
	return {
		notes,
		apart: mean(notes, ({ apart }) => apart)!,
		first: mean(notes, (each) => each.first)!,
		second: mean(notes, (each) => each.second)!,
		now: worstOf(notes, ({ apart }) => apart),
		then: worstOf(notes, ({ left }) => left)
	};
}

const beating = ({ note, rate }: Beating) =>
	rate < 0.05 ? 'no unison beats' : `${noteName(note)} beats most, ${fixed(rate, 1)} a second`;

/** "They lie 6.2 cents apart on the average; C6 beats most, 4.1 a second. Afterwards no unison beats." */
export const besideHeadline = ({ apart, now, then }: BesideAccount): string =>
	`They lie ${fixed(Math.abs(apart), 1)} cents apart on the average; ${beating(now)}. Afterwards ${beating(then)}.`;

/** What is done to one of the two: "Festival grand: 3.1 cents up on the average; tune it about A4 = 440.8 Hz." */
export function moveWords({ name, levels }: Stands, moved: number): string {
	if (Math.abs(moved) < 0.05) return `${name}: stays.`;
	const a = levels.find(([note]) => note === 69)?.[1] ?? mean(levels, ([, cents]) => cents)!;
	const to = 440 * 2 ** ((a + moved) / 1200);
	return `${name}: ${fixed(Math.abs(moved), 1)} cents ${moved > 0 ? 'up' : 'down'} on the average, about A4 = ${inHz(to)} Hz.`;
}
