import { ascending, bisectLeft, max, mean, range, sum } from 'd3-array';
import { fewestPins, pinsToMove, type NoteStrings } from './fewestPins';

/*
 * What a pitch costs: raising A4 by so many cents moves every target by as many. All in cents from the targets of one pitch,
 * from which candidates are counted.
 */

/** A note as it was found, with what stands for its strings. */
export interface PricedNote extends NoteStrings {
	readonly level: number;
}

export interface PitchPrice {
	/** Cents above the pitch that levels were counted from. */
	readonly shift: number;
	/** Strings to move. */
	readonly strings: number;
	/** How far strings are moved in all, on average of all strings, and at most; cents, as found. */
	readonly total: number;
	readonly mean: number;
	readonly most: number;
}

/** What a shift costs. */
export function pitchPrice(notes: readonly PricedNote[], shift: number, tolerance: number): PitchPrice {
	const shifted = notes.map((note) => ({ ...note, strings: note.strings.map((each) => each - shift) }));
	const { moved, all } = pinsToMove(shifted, tolerance);
	const distances = shifted.flatMap(({ strings }) => strings.map(Math.abs));
	const total = sum(distances);
	return { shift, strings: moved, total, mean: total / all, most: max(distances) ?? 0 };
}

export interface LeastMovement {
	readonly shift: number;
	/** Between which shifts it lies, as far as the notes read can say (95 %). */
	readonly low: number;
	readonly high: number;
}

/** Quantile of the normal distribution for 95 %. */
const NORMAL_95 = 1.96;

/**
 * The pitch that moves strings least: by the sum of movements (the median of the strings), or by their squares (the mean).
 * Bounds by the ranks of the levels (distribution-free: Hollander & Wolfe 1973, ch. 3), narrower as fewer notes are left
 * unread.
 * @param all notes that the instrument has
 */
export function leastMovement(
	notes: readonly PricedNote[],
	all: number,
	cost: 'movement' | 'squares' = 'movement'
): LeastMovement {
	const strings = notes.flatMap((each) => each.strings).sort(ascending);
	if (strings.length === 0) throw new RangeError('leastMovement: no note was read');
	const shift = cost === 'squares' ? mean(strings)! : middle(strings);
	const levels = notes.map(({ level }) => level).sort(ascending);
	const count = levels.length;
	const unread = Math.sqrt(Math.max(0, 1 - count / Math.max(all, count)));
	// Half the width of the interval of ranks.
	const reach = Math.ceil((NORMAL_95 * Math.sqrt(count)) / 2);
	const low = levels[Math.max(0, Math.floor((count - 1) / 2) - reach)];
	const high = levels[Math.min(count - 1, Math.ceil((count - 1) / 2) + reach)];
	const centre = middle(levels);
	return { shift, low: shift - unread * (centre - low), high: shift + unread * (high - centre) };
}

function middle(sorted: readonly number[]): number {
	const half = (sorted.length - 1) / 2;
	return (sorted[Math.floor(half)] + sorted[Math.ceil(half)]) / 2;
}

/**
 * The pitch at which the fewest strings move: the count has several minima, and steps between them. It changes only where
 * some string comes within its limits or leaves them; of those that cost as little, the one that moves least.
 */
export function fewestStrings(notes: readonly PricedNote[], tolerance: number): PitchPrice {
	const counts = notes.map((note) => movedAt(note, tolerance));
	const edges = [...new Set(counts.flatMap((each) => each.edges))].sort(ascending);
	const shifts = withBetween(edges);
	const moved = shifts.map((shift) => sum(counts, ({ at }) => at(shift)));
	const least = Math.min(...moved);
	return shifts
		.filter((_, i) => moved[i] === least)
		.map((shift) => pitchPrice(notes, shift, tolerance))
		.reduce((best, each) => (each.total < best.total ? each : best));
}

const withBetween = (sorted: readonly number[]) =>
	sorted.flatMap((each, i) => (i === 0 ? [each] : [(each + sorted[i - 1]) / 2, each]));

/** How many strings of a note move at any shift: the same between two of its edges, and at each of them. */
function movedAt(note: PricedNote, tolerance: number) {
	const edges = [...new Set(note.strings.flatMap((each) => [each - tolerance, each + tolerance]))].sort(ascending);
	const countAt = (shift: number) =>
		fewestPins({ ...note, strings: note.strings.map((each) => each - shift) }, tolerance).move.length;
	const counts = withBetween(edges).map(countAt);
	const at = (shift: number) => {
		const above = bisectLeft(edges, shift);
		if (above === edges.length || (above === 0 && edges[0] !== shift)) return note.strings.length;
		return counts[edges[above] === shift ? 2 * above : 2 * above - 1];
	};
	return { edges, at };
}

/** Prices over a range of pitches, for a picture. */
export function priceCurve(
	notes: readonly PricedNote[],
	from: number,
	to: number,
	tolerance: number,
	points = 81
): readonly PitchPrice[] {
	return range(points).map((i) => pitchPrice(notes, from + ((to - from) * i) / (points - 1), tolerance));
}
