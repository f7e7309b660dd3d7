import {
	breakOf,
	sectionsOf,
	summaryBySection,
	workDone,
	type SectionId,
	type SectionSummary,
	type WorkDone
} from '@fendrel/core';
import type { VisitGround } from '../ground';
import { movedBy } from '../movedBy';

/** What closing works on: a visit that is open on a device, or one as it is stored. */
export type ClosingGround = Pick<
	VisitGround,
	'visit' | 'instrument' | 'about' | 'temperament' | 'curve' | 'family' | 'body' | 'plan' | 'record' | 'summary' | 'who'
>;

/** What a visit has come to. */
export interface Account {
	readonly sections: readonly SectionSummary<SectionId>[];
	readonly done: WorkDone;
	/** Groups that were left further from the plan than its tolerance. */
	readonly outside: readonly number[];
	/** How far the section that was moved furthest was moved, in cents. */
	readonly moved: number;
}

export function accountOf({ instrument, visit, record, summary }: ClosingGround): Account {
	const { lowest, highest, stringing } = instrument;
	const sections = summaryBySection(summary, sectionsOf(lowest, highest, breakOf(stringing)));
	const outside = summary.set.filter((note) => Math.abs(summary.notes.get(note)?.left ?? 0) > visit.tolerance);
	return { sections, done: workDone(record.report), outside, moved: movedBy(sections) };
}
