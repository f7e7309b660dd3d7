import { beatOf, countedKind, countError, noteClass, type CountedBeats, type StiffString } from '@fendrel/core';
import { EARS, type EarName } from '$lib/tuning/ears';
import { parseRate, type EnteredCount, SENSES } from './countedOctave';

/** One field of the board: an interval, with the rate as typed. */
export interface Cell {
	readonly lower: number;
	readonly upper: number;
	readonly predicted: number;
	text: string;
	sense: (typeof SENSES)[number];
}

/** The intervals that are offered, by semitones, the most telling first. */
export const OFFERED = [4, 3, 7, 5, 9, 8, 12] as const;
/** Above this, per second, nobody doubts on which side of pure an interval lies. */
const PLAIN_RATE = 2;

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
				const known = kept.find((each) => each.lower === lower && each.upper === upper);
				const plain = Math.abs(predicted) < PLAIN_RATE ? 'unknown' : predicted < 0 ? 'narrow' : 'wide';
				return { lower, upper, predicted, text: known ? String(known.rate) : '', sense: known?.sense ?? plain };
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

	/** What was typed and can be read. */
	get entered(): readonly EnteredCount[] {
		return this.cells.flatMap(({ lower, upper, text, sense }) => {
			const { rate } = parseRate(text);
			return rate === undefined ? [] : [{ lower, upper, rate, sense }];
		});
	}

	counts(ear: EarName): readonly CountedBeats[] {
		return this.entered.map(({ lower, upper, rate, sense }) => ({
			lower,
			upper,
			kind: countedKind(upper - lower)!,
			rate,
			sense,
			error: countError(EARS[ear], rate)
		}));
	}
}

/** The A within the octave, which the fork gives; else its lowest note. */
export function usualReference(low: number): number {
	for (let note = low; note <= low + 12; note++) if (noteClass(note) === 9) return note;
	return low;
}
