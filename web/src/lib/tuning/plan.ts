import {
	A4,
	estimateInharmonicity,
	hz,
	partialSharpness,
	priorityById,
	PRIORITIES,
	targetTable,
	tuningCurve,
	type NoteTarget,
	type StringKind,
	type Tuning
} from '@fendrel/core';

/** No curve at all, or what leads it. */
export const NO_STRETCH = 'none';
export const STRETCHES = [NO_STRETCH, ...PRIORITIES.map(({ id }) => id)] as [string, ...string[]];

/** What targets follow from. */
export interface PlanBasis {
	readonly kind: StringKind;
	readonly lowest: number;
	readonly highest: number;
	readonly a4: number;
	readonly temperament: { readonly tuning: Tuning };
	/** Id of the priority that leads the tuning curve; none unless said. */
	readonly stretch?: string;
	/** The note that a fork gives, which stands at its equal-tempered pitch; A4 unless said otherwise. */
	readonly fork?: number;
	/** B of the notes that have been read. */
	readonly measured: readonly (readonly [note: number, b: number])[];
}

export interface Plan {
	readonly targets: readonly NoteTarget[];
	readonly targetOf: (note: number) => NoteTarget | undefined;
	readonly inharmonicityAt: (note: number) => number;
	/** Cents of the first partial that the curve adds to equal temperament. */
	readonly stretchAt: (note: number) => number;
	/** How many notes' inharmonicity was read on this instrument; 0 when its kind's typical scale stands in. */
	readonly notesRead: number;
}

export function planFor({ fork = A4, ...basis }: PlanBasis): Plan {
	const { kind, lowest, highest, a4, temperament, stretch = NO_STRETCH, measured } = basis;
	const { at, notesRead } = estimateInharmonicity(kind, new Map(measured));
	const stretchAt = stretch === NO_STRETCH ? () => 0 : curveOf({ lowest, highest, stretch, at, fork });
	const targets = targetTable({
		lowest,
		highest,
		a4: hz(a4),
		temperament,
		anchor: fork,
		stretchAt,
		inharmonicityAt: at
	});
	return { targets, targetOf: (note) => targets[note - lowest], inharmonicityAt: at, stretchAt, notesRead };
}

interface CurveBasis {
	readonly lowest: number;
	readonly highest: number;
	readonly stretch: string;
	readonly at: (note: number) => number;
	readonly fork: number;
}

function curveOf({ lowest, highest, stretch, at, fork }: CurveBasis): (note: number) => number {
	const { deviations } = tuningCurve({
		lowest,
		highest,
		priority: priorityById(stretch),
		sharpnessAt: (note, partial) => partialSharpness(at(note), partial)
	});
	// A fork other than A4 gives its own note, and everything else moves with it.
	const level = deviations[fork - lowest] ?? 0;
	return (note) => (deviations[note - lowest] ?? 0) - level;
}
