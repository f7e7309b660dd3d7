import type {
	ClassOffsets,
	CountedBeats,
	CountSolution,
	FewestMoves,
	Inversion,
	KeyOrder,
	MeasuredTread,
	NearestTemperament,
	CountRefusal,
	StaircaseName,
	Temperament
} from '@fendrel/core';
import type { PlanBasis } from '$lib/tuning/plan';
import type { Task } from './protocol';

/** What was counted, and what it is held against. */
export interface CountsJob {
	readonly basis: PlanBasis;
	readonly counts: readonly CountedBeats[];
	readonly reference: number;
	readonly bias: number;
	/** Cents within which a note may stay. */
	readonly tolerance: number;
	readonly library: readonly Temperament[];
	/** B of notes that were heard, in place of what the basis knows. */
	readonly heardB?: readonly (readonly [note: number, inharmonicity: number])[];
}

/** One way to read the counts, with all that follows from it. */
export interface Finding {
	readonly solution: CountSolution;
	readonly staircases: readonly (readonly [StaircaseName, readonly MeasuredTread[]])[];
	readonly inversions: readonly Inversion[];
	readonly moves: FewestMoves;
	/** Only when all twelve notes were found. */
	readonly whole:
		{ readonly classes: ClassOffsets; readonly nearest: NearestTemperament; readonly keyOrder: KeyOrder } | undefined;
}

export type CountsAnswer =
	| { readonly kind: 'refused'; readonly why: CountRefusal }
	| { readonly kind: 'found'; readonly findings: readonly Finding[]; readonly more: boolean };

export type ProvingTasks = {
	fromCounts: Task<CountsJob, CountsAnswer>;
};
