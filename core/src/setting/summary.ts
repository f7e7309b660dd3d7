import { deviation, mean, median } from 'd3-array';

/** What a summary needs of a reading; deviations are cents from the target. */
export interface SetReading {
	readonly note: number;
	/** Order of taking: milliseconds, or any number that grows. */
	readonly takenAt: number;
	/** undefined when a note was kept by ear without being measured. */
	readonly deviation: number | undefined;
	/** True when the string was left so. */
	readonly accepted: boolean;
}

/** How a note came and how it was left. */
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
	/** Mean size of the moves of what was set and measured, and the largest move. */
	readonly movedMean: number | undefined;
	readonly movedMost: { readonly note: number; readonly by: number } | undefined;
	/** Standard deviation from target of what was set. */
	readonly leftSpread: number | undefined;
}

/** Sums up a visit: the first reading of a note is how it was found, the last accepted one how it was left. */
export function summariseVisit(readings: readonly SetReading[], lowest: number, highest: number): VisitSummary {
	const notes = new Map<number, NoteRecord>();
	for (const reading of [...readings].sort((a, b) => a.takenAt - b.takenAt)) {
		const { note, accepted } = reading;
		const before = notes.get(note);
		notes.set(note, {
			note,
			found: before?.found ?? reading.deviation,
			left: accepted ? reading.deviation : before?.left,
			set: accepted || (before?.set ?? false)
		});
	}
	const compass = Array.from({ length: highest - lowest + 1 }, (_, i) => lowest + i);
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
		movedMean: mean(moves, ({ by }) => Math.abs(by)),
		movedMost: moves.reduce<(typeof moves)[number] | undefined>(
			(most, move) => (most && Math.abs(most.by) >= Math.abs(move.by) ? most : move),
			undefined
		),
		leftSpread: deviation(set, (note) => notes.get(note)!.left)
	};
}
