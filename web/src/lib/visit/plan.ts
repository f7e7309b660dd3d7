import {
	estimateInharmonicity,
	hz,
	targetTable,
	temperamentById,
	type NoteTarget,
	type StringKind
} from '@fendrel/core';

/** What targets follow from. */
export interface PlanBasis {
	readonly kind: StringKind;
	readonly lowest: number;
	readonly highest: number;
	readonly a4: number;
	/** Slug of a library temperament. */
	readonly temperament: string;
	/** B of the notes that have been read. */
	readonly measured: readonly (readonly [note: number, b: number])[];
}

export interface Plan {
	readonly targets: readonly NoteTarget[];
	readonly targetOf: (note: number) => NoteTarget | undefined;
	readonly inharmonicityAt: (note: number) => number;
	/** How many notes' inharmonicity was read on this instrument; 0 when its kind's typical scale stands in. */
	readonly notesRead: number;
}

export function planFor({ kind, lowest, highest, a4, temperament, measured }: PlanBasis): Plan {
	const { at, notesRead } = estimateInharmonicity(kind, new Map(measured));
	const targets = targetTable({
		lowest,
		highest,
		a4: hz(a4),
		temperament: temperamentById(temperament),
		inharmonicityAt: at
	});
	return { targets, targetOf: (note) => targets[note - lowest], inharmonicityAt: at, notesRead };
}
