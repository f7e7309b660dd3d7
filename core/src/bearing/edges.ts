import { FASTEST_COUNT } from '../intervals/audibility';
import { beatOf } from '../intervals/beats';
import { INTERVALS, type IntervalKind } from '../intervals/intervalKinds';
import { partialHz, type StiffString } from '../strings/stiffString';
import { WOLF_LIMIT } from '../temperament/temperament';
import type { BeatsPerSecond, Hz } from '../units/quantity';
import { biasSense, countScatter, type Ear } from './ear';

/** An interval between two notes of a plan, as the ear uses it. */
export interface Edge {
	readonly lower: number;
	readonly upper: number;
	readonly kind: IntervalKind;
	/** The rate that the temperament asks for on these strings. */
	readonly rate: BeatsPerSecond;
	readonly heardAt: Hz;
	/** Beats per second for each cent that the upper, or the lower, note rises. */
	readonly perCentUpper: number;
	readonly perCentLower: number;
	/** Scatter of the ear's count, and what a common bias does to it. */
	readonly scatter: number;
	readonly bias: number;
}

/** Intervals that plans are made of. Not the minor sixth: few ears follow an eighth partial. */
const USABLE: readonly IntervalKind[] = [
	INTERVALS.minorThird,
	INTERVALS.majorThird,
	INTERVALS.fourth,
	INTERVALS.fifth,
	INTERVALS.majorSixth,
	INTERVALS.octave42,
	INTERVALS.tenth
];

function kindOf(semitones: number): IntervalKind | undefined {
	return USABLE.find((kind) => kind.semitones === semitones);
}

/** d(beat) per cent of a partial at f: f ln 2 / 1200. */
const PER_CENT = Math.LN2 / 1200;

export function edgeBetween(
	lower: number,
	upper: number,
	kind: IntervalKind,
	strings: (note: number) => StiffString,
	ear: Ear
): Edge {
	const [low, high] = [strings(lower), strings(upper)];
	const { rate, heardAt } = beatOf(low, high, kind);
	return {
		lower,
		upper,
		kind,
		rate,
		heardAt,
		perCentUpper: partialHz(high, kind.upperPartial) * PER_CENT,
		perCentLower: partialHz(low, kind.lowerPartial) * PER_CENT,
		scatter: countScatter(ear, rate),
		bias: biasSense(rate)
	};
}

/** A wolf, as a fifth or as the fourth that fills its octave: nobody sets a note by it. */
function howls({ kind, rate, perCentUpper }: Edge): boolean {
	return (kind.semitones === 5 || kind.semitones === 7) && Math.abs(rate / perCentUpper) > WOLF_LIMIT;
}

/** Every interval between the notes that an ear can count in this temperament. */
export function countableEdges(
	notes: readonly number[],
	strings: (note: number) => StiffString,
	ear: Ear
): readonly Edge[] {
	const edges: Edge[] = [];
	for (const lower of notes)
		for (const upper of notes) {
			const kind = upper > lower ? kindOf(upper - lower) : undefined;
			if (!kind) continue;
			const edge = edgeBetween(lower, upper, kind, strings, ear);
			if (Math.abs(edge.rate) <= FASTEST_COUNT && !howls(edge)) edges.push(edge);
		}
	return edges;
}
