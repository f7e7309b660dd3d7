import {
	beatOf,
	countedKind,
	countError,
	noteClass,
	type AskedKeys,
	type CountedBeats,
	type StiffString
} from '@fendrel/core';
import { median } from 'd3-array';
import type { HeardKeys } from '$lib/pairs/pairListening.svelte';
import { EARS, type EarName } from '$lib/tuning/ears';
import { parseRate, type EnteredCount, SENSES } from './countedOctave';

/** One field of the board: an interval, with the rate as typed. */
export interface Cell {
	readonly lower: number;
	readonly upper: number;
	readonly predicted: number;
	text: string;
	sense: Sense;
	/** What the app heard of it; undefined until it has, or once that was thrown away. */
	heard: AppCount | undefined;
}
type Sense = (typeof SENSES)[number];
type AppCount = Pick<EnteredCount, 'rate' | 'sense' | 'inharmonicity'> & { readonly error: number };
/** No figure of the app is better than that, per second: strings do not stand still. */
const LEAST_ERROR = 0.02;

/** The intervals that are offered, by semitones, the most telling first. */
export const OFFERED = [4, 3, 7, 5, 9, 8, 12] as const;
/** Above this, per second, nobody doubts on which side of pure an interval lies. */
const PLAIN_RATE = 2;

/** What the board takes from two keys that were heard. */
type HeardCount = Pick<HeardKeys, 'keys' | 'beats'> & {
	readonly [K in 'lower' | 'upper']: Pick<HeardKeys[K], 'string' | 'misfit'>;
};

/** What somebody counts of an octave, while it is being typed. */
export class Board {
	cells: Cell[] = $state([]);

	/** @param strings the octave as it is meant to be */
	constructor(
		readonly low: number,
		strings: (note: number) => StiffString,
		kept: readonly EnteredCount[] = []
	) {
		this.cells = OFFERED.flatMap((semitones) =>
			Array.from({ length: 13 - semitones }, (_, i): Cell => {
				const [lower, upper] = [low + i, low + i + semitones];
				const predicted = beatOf(strings(lower), strings(upper), countedKind(semitones)!).rate;
				const known = (by: EnteredCount['by']) =>
					kept.find((each) => each.lower === lower && each.upper === upper && each.by === by);
				const plain = Math.abs(predicted) < PLAIN_RATE ? 'unknown' : predicted < 0 ? 'narrow' : 'wide';
				const [ear, app] = [known('ear'), known('app')];
				return {
					...{ lower, upper, predicted, text: ear ? String(ear.rate) : '', sense: ear?.sense ?? plain },
					heard: app && { ...app, error: app.error ?? LEAST_ERROR }
				};
			})
		);
	}

	/** The kinds of interval on offer. */
	get kinds() {
		return OFFERED.map((semitones) => ({ semitones, kind: countedKind(semitones)! }));
	}

	group(semitones: number): readonly Cell[] {
		return this.cells.filter(({ lower, upper }) => upper - lower === semitones);
	}

	/** Every field that cannot be read. */
	get problems(): readonly string[] {
		return this.cells.flatMap(({ text }) => parseRate(text).problem ?? []);
	}

	/** What was typed and can be read, and what the app heard. */
	get entered(): readonly EnteredCount[] {
		return this.cells.flatMap(({ lower, upper, text, sense, heard }): EnteredCount[] => {
			const { rate } = parseRate(text);
			return [
				...(rate === undefined ? [] : [{ lower, upper, rate, sense, by: 'ear' as const }]),
				...(heard ? [{ ...heard, lower, upper, by: 'app' as const }] : [])
			];
		});
	}

	/** How many of the counts are an ear's, and how many the app's. */
	get counters(): { readonly ear: number; readonly app: number } {
		const { entered } = this;
		const app = entered.filter(({ by }) => by === 'app').length;
		return { ear: entered.length - app, app };
	}

	/** Every interval on offer, as keys to be heard where they are counted. */
	get asked(): readonly AskedKeys[] {
		return this.cells.map(({ lower, upper }) => {
			const { lowerPartial, upperPartial } = countedKind(upper - lower)!;
			return { lower, upper, meetings: [[lowerPartial, upperPartial]] };
		});
	}

	/** Takes what was heard into its field; what was not to be said changes nothing. */
	hear({ keys, beats, lower: low, upper: high }: HeardCount): void {
		const cell = this.cells.find(({ lower, upper }) => lower === keys.lower && upper === keys.upper);
		const kind = countedKind(keys.upper - keys.lower);
		const beat = beats.find(
			(each) => each.lowerPartial === kind?.lowerPartial && each.upperPartial === kind.upperPartial
		);
		if (!cell || !beat || beat.certainty === 'not to be said') return;
		// What the notes' other partials stray by, this one does too: the beat is right, what it says of the notes errs by that.
		const strays = (beat.heardAt * Math.LN2 * Math.hypot(low.misfit, high.misfit)) / 1200;
		const error = Math.hypot(LEAST_ERROR, beat.error, strays);
		const inharmonicity: [number, number] = [low.string.inharmonicity, high.string.inharmonicity];
		// Where the error reaches over pure, the side that is likelier does.
		const likelier = Math.abs(beat.rate) < 2 * error ? (beat.rate < 0 ? 'narrow' : 'wide') : 'unknown';
		cell.heard = { rate: Math.abs(beat.rate), error, sense: beat.sense ?? likelier, inharmonicity };
	}

	/** B of each note that the app heard, from all that it heard it in. */
	get heardB(): readonly (readonly [note: number, inharmonicity: number])[] {
		const found = new Map<number, number[]>();
		const add = (note: number, b: number) => found.set(note, [...(found.get(note) ?? []), b]);
		for (const { lower, upper, heard } of this.cells) {
			if (!heard?.inharmonicity) continue;
			add(lower, heard.inharmonicity[0]);
			add(upper, heard.inharmonicity[1]);
		}
		return [...found].map(([note, all]) => [note, median(all)!]);
	}

	counts(ear: EarName): readonly CountedBeats[] {
		return this.entered.map(({ lower, upper, rate, sense, by, error }) => ({
			...{ lower, upper, rate, sense },
			kind: countedKind(upper - lower)!,
			error: error ?? countError(EARS[ear], rate),
			isMeasured: by === 'app'
		}));
	}
}

/** The A within the octave, which the fork gives; else its lowest note. */
export function usualReference(low: number): number {
	for (let note = low; note <= low + 12; note++) if (noteClass(note) === 9) return note;
	return low;
}
