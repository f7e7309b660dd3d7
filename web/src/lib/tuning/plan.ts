import { estimateInharmonicity, hz, targetTable, type NoteTarget, type StringKind, type Tuning } from '@fendrel/core';

/** What targets follow from. */
export interface PlanBasis {
	readonly kind: StringKind;
	readonly lowest: number;
	readonly highest: number;
	readonly a4: number;
	readonly temperament: { readonly tuning: Tuning };
	/** The note class that stands at its equal-tempered pitch; A unless said otherwise. */
	readonly anchor?: number;
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

export function planFor({ kind, lowest, highest, a4, temperament, anchor, measured }: PlanBasis): Plan {
	const { at, notesRead } = estimateInharmonicity(kind, new Map(measured));
	const targets = targetTable({ lowest, highest, a4: hz(a4), temperament, anchor, inharmonicityAt: at });
	return { targets, targetOf: (note) => targets[note - lowest], inharmonicityAt: at, notesRead };
}
