import { AUDIBLE_DEPTH, beatsAudibly, hz, nearestNote, noteName, type PartialBeat } from '@fendrel/core';
import type { HeardUnison } from '$lib/listening/lastStrike.svelte';
import { fixed } from '$lib/ui/format';

const DEEP = 0.5;

export interface UnisonWords {
	readonly title: string;
	/** The figure, and what it is. */
	readonly figure: string;
	readonly unit: string;
	readonly how: string;
	readonly beats: readonly {
		readonly partial: number;
		readonly at: string;
		readonly rate: string;
		readonly depth: string;
	}[];
}

/** What a strike told of a unison, or of one string's false beat. */
export function unisonWords({ note, strings, analysis }: HeardUnison, a4: number): UnisonWords {
	const { partials, told, spread, unresolved } = analysis;
	const beating =
		strings === 1
			? partials.filter(beatsAudibly)
			: partials.filter(({ beat, depth }) => beat !== undefined && depth >= AUDIBLE_DEPTH);
	const at = ({ components }: PartialBeat) => noteName(nearestNote(hz(components[0].frequency), hz(a4)).note);
	const beats = beating.map((each) => ({
		partial: each.partial,
		at: at(each),
		rate: fixed(each.beat!, 1),
		depth: each.depth >= DEEP ? 'deep' : 'shallow'
	}));
	const limit = `Nothing finer than ${fixed(unresolved, 1)} cents could be heard in this strike.`;
	if (strings === 1) {
		if (beating.length === 0)
			return { title: `${noteName(note)}, one string`, figure: 'Clean', unit: 'no false beat', how: limit, beats };
		return {
			title: `${noteName(note)}, one string`,
			figure: beats[0].rate,
			unit: 'false beats per second',
			how: `This string beats by itself, at ${beats[0].at}, so no unison with it will be quite still. Mark it and go on.`,
			beats
		};
	}
	const title = `${noteName(note)}, ${strings} strings`;
	if (told === 1 || !spread)
		return { title, figure: 'Still', unit: 'one tone in every partial', how: `The unison is clean. ${limit}`, beats };
	return {
		title,
		figure: fixed(spread.cents, 1),
		unit: `cents from end to end${told < strings ? `, ${told} of ${strings} strings told apart` : ''}`,
		how: `Known to ±${fixed(Math.max(0.05, 2 * spread.error), spread.error < 0.025 ? 2 : 1)}. ${told < strings ? limit : ''} One string’s false beat looks the same: mute all but one to see.`.replace(
			'  ',
			' '
		),
		beats
	};
}
