import { deviation, mean, median } from 'd3-array';

/** What a summary needs of a reading; deviations are cents from the target. */
export interface SetReading {
	readonly note: number;
	/** Order of taking: milliseconds, or any number that grows. */
	readonly takenAt: number;
	readonly deviation: number;
	/** True when the string was left so. */
	readonly accepted: boolean;
}

/** How a note came and how it was left. */
export interface NoteRecord {
	readonly note: number;
	readonly found: number;
	/** undefined while it has not been accepted. */
	readonly left: number | undefined;
}

export interface VisitSummary {
	readonly notes: ReadonlyMap<number, NoteRecord>;
	readonly set: readonly number[];
	readonly leftOut: readonly number[];
	/** Median deviation as found; undefined without readings. */
	readonly foundMiddle: number | undefined;
	/** Mean size of the moves of what was set, and the largest move; undefined when nothing was set. */
	readonly movedMean: number | undefined;
	readonly movedMost: { readonly note: number; readonly by: number } | undefined;
	/** Standard deviation from target of what was set. */
	readonly leftSpread: number | undefined;
}

/** Sums up a visit: the first reading of a note is how it was found, the last accepted one how it was left. */
export function summariseVisit(readings: readonly SetReading[], lowest: number, highest: number): VisitSummary {
	const notes = new Map<number, NoteRecord>();
	for (const reading of [...readings].sort((a, b) => a.takenAt - b.takenAt)) {
		const before = notes.get(reading.note);
		notes.set(reading.note, {
			note: reading.note,
			found: before?.found ?? reading.deviation,
			left: reading.accepted ? reading.deviation : before?.left
		});
	}
	const compass = Array.from({ length: highest - lowest + 1 }, (_, i) => lowest + i);
	const isSet = (note: number) => notes.get(note)?.left !== undefined;
	const set = compass.filter(isSet);
	const moves = set.map((note) => {
		const { found, left } = notes.get(note)!;
		return { note, by: left! - found };
	});
	const most = moves.reduce<(typeof moves)[number] | undefined>(
		(top, move) => (top && Math.abs(top.by) >= Math.abs(move.by) ? top : move),
		undefined
	);
	return {
		notes,
		set,
		leftOut: compass.filter((note) => !isSet(note)),
		foundMiddle: median([...notes.values()], ({ found }) => found),
		movedMean: mean(moves, ({ by }) => Math.abs(by)),
		movedMost: most,
		leftSpread: deviation(set, (note) => notes.get(note)!.left)
	};
}
