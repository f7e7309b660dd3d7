import type { SectionId } from '@fendrel/core';

/** One of two visits that are laid beside each other. */
export interface ComparedVisit {
	readonly id: string;
	readonly startedAt: Date;
	readonly who: string | undefined;
	readonly a4: number;
	readonly temperament: string;
	readonly air: string | undefined;
	readonly note: string;
	readonly notesSet: number;
	readonly movedMean: number | undefined;
}

/** Two visits of an instrument; cents from the later one's plan. */
export interface Comparison {
	readonly before: ComparedVisit;
	readonly after: ComparedVisit;
	readonly notes: readonly {
		readonly note: number;
		/** As the earlier visit left it, and as the later one found and left it. */
		readonly leftThen: number | undefined;
		readonly found: number | undefined;
		readonly left: number | undefined;
	}[];
	readonly sections: readonly {
		readonly id: SectionId;
		readonly leftThen: number | undefined;
		readonly found: number | undefined;
		readonly left: number | undefined;
	}[];
}
