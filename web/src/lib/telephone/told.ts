import type { SectionId, VerdictKind } from '@fendrel/core';
import { noteName } from '@fendrel/core';
import { z } from 'zod';
import { fixed, flatOrSharp, listed, roughly, signed } from '$lib/ui/format';

/** A note that an owner played: its pitch in Hz, and how far its strings lie apart in cents (null: it could not be told). */
export const heardSchema = z.object({
	notes: z
		.array(
			z.object({
				note: z.number().int().min(0).max(127),
				pitch: z.number().min(8).max(20_000),
				error: z.number().min(0).max(100),
				spread: z.number().min(0).max(200).nullable()
			})
		)
		.min(4, 'Play at least four of the notes.')
		.max(24)
		.refine((notes) => new Set(notes.map(({ note }) => note)).size === notes.length, 'A note is there twice.')
});
export type HeardNote = z.infer<typeof heardSchema>['notes'][number];

export const agreedSchema = z.object({
	name: z
		.string()
		.trim()
		.min(1, 'Write your name, so that the workshop knows who agreed.')
		.max(80, 'At most 80 characters.'),
	/** What was on the page when it was agreed: hearing it once more changes it. */
	heardAt: z.number()
});

/** What those notes told, as it was on the owner's page. */
export interface TelephoneTold {
	/** Cents from where the last plan, or the usual one, has it: all of it, and the section that stands worst. */
	readonly level: number;
	readonly worst: { readonly id: SectionId; readonly level: number };
	/** What the worst section's level may be off by: a telephone's clock is unsure, and a few notes stand for all. */
	readonly error: number;
	readonly played: number;
	/** Unisons that beat more than they may, worst first. */
	readonly unisons: readonly { readonly note: number; readonly cents: number }[];
	readonly kind: VerdictKind;
	readonly way: 'up' | 'down';
	readonly perhaps: readonly VerdictKind[];
	/** Minutes and price of what is likely, and of the most that it may come to; no price where the workshop names none. */
	readonly minutes: number;
	readonly mostMinutes: number;
	readonly price: string | null;
	readonly mostPrice: string | null;
}

/** What an instrument's page says of a look before the visit. */
export interface ToldLook {
	readonly id: string;
	readonly madeAt: Date;
	readonly endsAt: Date;
	/** The address still leads there. */
	readonly isOpen: boolean;
	readonly heardAt: Date | null;
	readonly told: TelephoneTold | null;
	readonly agreedAt: Date | null;
	readonly agreedBy: string;
}

/** What an owner is told, without the trade's words. */
const FOR_OWNERS: Readonly<Record<VerdictKind, string>> = {
	leave: 'It stands well. Nothing needs to be done.',
	spot: 'A few notes need a touch; the rest can stay.',
	touchUp: 'Some notes need a touch; the rest can stay.',
	tune: 'It needs an ordinary tuning.',
	correct: 'Its pitch has moved: it is brought back first, then tuned.',
	move: 'Its pitch has moved far: it is brought back in several rounds, then tuned.',
	moveAndReturn: 'Its pitch has moved very far: it is brought back and tuned, and tuned once more a few weeks later.',
	barred: 'It has to be looked at before anything is done.'
};
/** The same, where something is meant that may be asked for besides. */
const ALSO: Readonly<Record<VerdictKind, string>> = {
	leave: 'nothing at all',
	spot: 'a touch to a few notes',
	touchUp: 'a touch to some notes',
	tune: 'an ordinary tuning',
	correct: 'bringing the pitch back first',
	move: 'bringing the pitch back in several rounds',
	moveAndReturn: 'a second tuning a few weeks later',
	barred: 'a look first'
};
/** What a technician reads. */
const FOR_TECHNICIANS: Readonly<Record<VerdictKind, string>> = {
	leave: 'leave it',
	spot: 'touch single notes',
	touchUp: 'touch up',
	tune: 'tune once',
	correct: 'correct the pitch, then tune',
	move: 'a raise, then tune',
	moveAndReturn: 'a raise, tune, and come again',
	barred: 'look first'
};

export const ownerVerdict = ({ kind, way }: TelephoneTold): string =>
	kind === 'move' && way === 'down' ? FOR_OWNERS.correct : FOR_OWNERS[kind];

/** "It may also need bringing the pitch back first: that is seen when the work begins." */
export function perhapsWords({ perhaps }: TelephoneTold): string | undefined {
	if (perhaps.length === 0) return undefined;
	return `It may come to ${listed(perhaps.map((kind) => ALSO[kind]))}: that is seen beside the instrument.`;
}

/** "14.2 cents flat, bass worst at −18 (±0.9); unisons C5 and A3; a raise, then tune". */
export function technicianWords(told: TelephoneTold): string {
	const unisons = told.unisons.slice(0, 3).map(({ note }) => noteName(note));
	return [
		`${flatOrSharp(told.level)}, ${told.worst.id} worst at ${signed(told.worst.level, 0)} (±${fixed(Math.max(0.1, told.error), 1)})`,
		...(unisons.length ? [`unisons ${listed(unisons)}`] : []),
		[told.kind, ...told.perhaps].map((kind) => FOR_TECHNICIANS[kind]).join(', or ')
	].join('; ');
}

/** "1 h 30, € 95", or from the likely to the most. */
export function effortWords({ minutes, mostMinutes, price, mostPrice }: TelephoneTold): string {
	const range = (a: string, b: string) => (a === b ? a : `${a} to ${b}`);
	const time = range(roughly(minutes), roughly(mostMinutes));
	return price ? `${time}, ${range(price, mostPrice ?? price)}` : time;
}
