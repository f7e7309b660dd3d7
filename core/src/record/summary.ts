import { deviation, mean, median } from 'd3-array';
import { centsBetween } from '../units/pitch';
import { hz, type Hz } from '../units/quantity';
import type { Figure, GroupRecord } from './report';

/** How a note came and how it was left, in cents from where the plan has it now. */
export interface NoteRecord {
	readonly note: number;
	readonly found: number | undefined;
	readonly left: number | undefined;
	/** True once it has been accepted, by reading or by ear. */
	readonly set: boolean;
}

export interface VisitSummary {
	readonly notes: ReadonlyMap<number, NoteRecord>;
	readonly set: readonly number[];
	readonly leftOut: readonly number[];
	/** Median deviation as found; undefined without readings. */
	readonly foundMiddle: number | undefined;
	/** Mean deviation as left. */
	readonly leftMean: number | undefined;
	/** Mean size of the moves of what was set and measured, and the largest move. */
	readonly movedMean: number | undefined;
	readonly movedMost: { readonly note: number; readonly by: number } | undefined;
	/** Standard deviation from target of what was set. */
	readonly leftSpread: number | undefined;
}

/**
 * A figure against the target as it is planned now: a deviation, wherever in the sound it was heard, moves by what its
 * target has moved since. So a change of plan in mid-visit never mixes two zeros.
 */
function deviationFrom(figure: Figure, target: Hz): number {
	return figure.deviation - centsBetween(hz(figure.target), target);
}

/**
 * Sums up a visit against one plan.
 * @param compass the groups that the instrument has, in order
 * @param targetOf first partial that the plan wants of a group; undefined where it wants nothing
 */
export function summariseVisit(
	groups: ReadonlyMap<number, GroupRecord>,
	compass: readonly number[],
	targetOf: (group: number) => Hz | undefined
): VisitSummary {
	const notes = new Map<number, NoteRecord>();
	for (const { group: note, found, left } of groups.values()) {
		const target = targetOf(note);
		const from = (figure: Figure | undefined) => figure && target && deviationFrom(figure, target);
		notes.set(note, { note, found: from(found), left: from(left?.figure), set: left !== undefined });
	}
	const set = compass.filter((note) => notes.get(note)?.set);
	const moves = set.flatMap((note) => {
		const { found, left } = notes.get(note)!;
		return found === undefined || left === undefined ? [] : [{ note, by: left - found }];
	});
	return {
		notes,
		set,
		leftOut: compass.filter((note) => !notes.get(note)?.set),
		foundMiddle: median([...notes.values()], ({ found }) => found),
		leftMean: mean([...notes.values()], ({ left }) => left),
		movedMean: mean(moves, ({ by }) => Math.abs(by)),
		movedMost: moves.reduce<(typeof moves)[number] | undefined>(
			(most, move) => (most && Math.abs(most.by) >= Math.abs(move.by) ? most : move),
			undefined
		),
		leftSpread: deviation(set, (note) => notes.get(note)!.left)
	};
}

/** How a part of an instrument came and how it was left: medians, in cents from the plan. */
export interface SectionSummary<Id extends string = string> {
	readonly id: Id;
	readonly found: number | undefined;
	readonly left: number | undefined;
}

/** @param sections parts of the compass, both ends belonging to them */
export function summaryBySection<Id extends string>(
	{ notes }: Pick<VisitSummary, 'notes'>,
	sections: readonly { readonly id: Id; readonly from: number; readonly to: number }[]
): readonly SectionSummary<Id>[] {
	return sections.map(({ id, from, to }) => {
		const within = [...notes.values()].filter(({ note }) => note >= from && note <= to);
		return { id, found: median(within, ({ found }) => found), left: median(within, ({ left }) => left) };
	});
}
