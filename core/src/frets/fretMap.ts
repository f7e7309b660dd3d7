import { across, type FretEnds, type Neck } from './neck';
import { centsOfMove, moveFor } from './places';
import type { NeckStanding } from './stopping';

/** A string at one fret: where it wants the fret, and what the advised line leaves it. */
export interface FretWish {
	readonly string: number;
	/** 0 the lowest string, 1 the highest. */
	readonly across: number;
	/** Where the fret lies beneath this string now, mm from the nut, and how far towards the bridge it is wanted. */
	readonly place: number;
	readonly move: number;
	/** Cents now, and after the advised moves. */
	readonly off: number;
	readonly left: number;
	readonly weight: number;
	readonly isRead: boolean;
}

/** Moves of a fret's ends in mm towards the bridge, and what they leave. */
export interface FretLine {
	readonly move: FretEnds;
	/** Cents by string, in the order of the wishes. */
	readonly left: readonly number[];
	/** Weighted sum of their squares. */
	readonly cost: number;
}

/** A second fret beneath some of the strings only. */
export interface HalfFret {
	/** Strings that it carries, from the highest: those up to the outermost on that side. */
	readonly strings: readonly number[];
	/** Moves of the two, from where the fret lies now. */
	readonly own: FretLine;
	readonly rest: FretLine;
	/** The largest deviation that is left then, in cents. */
	readonly worst: number;
}

/** Strings that want the fret in two places. */
export interface FretConflict {
	/** Those that want it nearer the nut, and those that want it nearer the bridge. */
	readonly nearer: readonly number[];
	readonly further: readonly number[];
	/** Cents between the two. */
	readonly apart: number;
}

/** Where one fret goes. */
export interface FretAdvice {
	readonly fret: number;
	readonly wishes: readonly FretWish[];
	readonly line: FretLine;
	/** Strings that no straight fret brings within. */
	readonly cannot: readonly number[];
	readonly half: HalfFret | undefined;
	readonly conflict: FretConflict | undefined;
}

export interface FretMapOptions {
	/** How much a string counts at a fret; 1 unless given. */
	readonly weightOf?: (string: number, fret: number) => number;
	/** Steps in mm in which ends are moved; 0: as fine as one likes. */
	readonly step: number;
	/** Cents that may be left. */
	readonly within: number;
}

type Wish = Omit<FretWish, 'left'>;
/** A move of a fret errs by that share: the fret rolls, the hand sees half a millimetre. */
export const MOVED_ERROR = 0.03;
const ROUNDS = 6;
/** Wishes further apart than that are of two kinds, in cents: no hand ties so badly. */
const TWO_KINDS = 14;

/** Cents that a line of moves leaves each string. */
function leftBy(scale: number, wishes: readonly Wish[], { low, high }: FretEnds): readonly number[] {
	return wishes.map(({ off, place, across: u }) => off + centsOfMove(scale, place, low + (high - low) * u));
}

function lineOf(scale: number, wishes: readonly Wish[], move: FretEnds): FretLine {
	const left = leftBy(scale, wishes, move);
	return { move, left, cost: left.reduce((sum, cents, i) => sum + wishes[i].weight * cents * cents, 0) };
}

/**
 * The straight fret that leaves least: weighted least squares of what is left in cents, by Gauss and Newton. One string alone, or
 * strings without weight, leave the slant as it is.
 */
export function bestLine(scale: number, wishes: readonly Wish[]): FretLine {
	let move: FretEnds = { low: 0, high: 0 };
	for (let round = 0; round < ROUNDS; round++) {
		const left = leftBy(scale, wishes, move);
		let [a, b, c, d, e] = [0, 0, 0, 0, 0];
		for (const [i, { weight, place, across: u }] of wishes.entries()) {
			const at = move.low + (move.high - move.low) * u;
			const each = 1200 / Math.LN2 / (scale - place - at);
			const [lower, higher] = [each * (1 - u), each * u];
			a += weight * lower * lower;
			b += weight * lower * higher;
			c += weight * higher * higher;
			d -= weight * lower * left[i];
			e -= weight * higher * left[i];
		}
		const determinant = a * c - b * b;
		if (determinant > 1e-9 * (a + c) ** 2) {
			const low = (d * c - b * e) / determinant;
			const high = (a * e - b * d) / determinant;
			move = { low: move.low + low, high: move.high + high };
		} else {
			// Both ends together.
			const both = a + 2 * b + c;
			const by = both > 0 ? (d + e) / both : 0;
			move = { low: move.low + by, high: move.high + by };
		}
	}
	return lineOf(scale, wishes, move);
}

/** The same in steps: the best of those about it. */
function steppedLine(scale: number, wishes: readonly Wish[], step: number): FretLine {
	const best = bestLine(scale, wishes);
	if (step <= 0) return best;
	const about = (move: number) => [-1, 0, 1].map((by) => (Math.round(move / step) + by) * step);
	const lines = about(best.move.low).flatMap((low) =>
		about(best.move.high).map((high) => lineOf(scale, wishes, { low, high }))
	);
	return lines.reduce((least, each) => (each.cost < least.cost ? each : least));
}

const worstOf = (left: readonly number[]) => Math.max(0, ...left.map(Math.abs));

/** The split that leaves the least; undefined where it helps little. */
function bestHalf(
	scale: number,
	wishes: readonly Wish[],
	worst: number,
	{ step, within }: FretMapOptions
): HalfFret | undefined {
	if (worst <= within) return undefined;
	let best: (HalfFret & { readonly cost: number }) | undefined;
	for (let at = 1; at < wishes.length; at++) {
		const [high, low] = [wishes.slice(0, at), wishes.slice(at)];
		const [own, rest] = high.length <= low.length ? [high, low] : [low, high];
		const lines = [steppedLine(scale, own, step), steppedLine(scale, rest, step)] as const;
		const cost = lines[0].cost + lines[1].cost;
		if (best && best.cost <= cost) continue;
		const left = Math.max(worstOf(lines[0].left), worstOf(lines[1].left));
		best = { strings: own.map(({ string }) => string), own: lines[0], rest: lines[1], worst: left, cost };
	}
	if (!best || best.worst > Math.max(within, worst / 2)) return undefined;
	const { cost: _, ...half } = best;
	return half;
}

/** Strings whose wishes fall into two heaps. */
function conflictOf(wishes: readonly Wish[]): FretConflict | undefined {
	const sorted = [...wishes].sort((a, b) => b.off - a.off);
	let [gap, at] = [0, 0];
	for (let i = 1; i < sorted.length; i++) {
		const apart = sorted[i - 1].off - sorted[i].off;
		if (apart > gap) [gap, at] = [apart, i];
	}
	if (gap < TWO_KINDS) return undefined;
	const mean = (some: readonly Wish[]) => some.reduce((sum, { off }) => sum + off, 0) / some.length;
	const [nearer, further] = [sorted.slice(0, at), sorted.slice(at)];
	return {
		nearer: nearer.map(({ string }) => string).sort((a, b) => a - b),
		further: further.map(({ string }) => string).sort((a, b) => a - b),
		apart: mean(nearer) - mean(further)
	};
}

/** Where each fret goes, by how a neck stands. */
export function fretMap(neck: Neck, standing: NeckStanding, options: FretMapOptions): readonly FretAdvice[] {
	const { scale } = neck;
	const { weightOf = () => 1, step, within } = options;
	return standing.frets.map(({ fret, low, high }) => {
		const wishes = standing.notes
			.filter((note) => note.fret === fret)
			.map(({ string, off, isRead }): Wish => {
				const u = across(neck, string);
				const place = low + (high - low) * u;
				const weight = weightOf(string, fret);
				return { string, across: u, place, move: moveFor(scale, place, -off), off, weight, isRead };
			});
		const line = steppedLine(scale, wishes, step);
		const counted = wishes.flatMap(({ weight }, i) => (weight > 0 ? [line.left[i]] : []));
		return {
			...{ fret, line, wishes: wishes.map((wish, i) => ({ ...wish, left: line.left[i] })) },
			cannot: wishes.flatMap(({ string, weight }, i) =>
				weight > 0 && Math.abs(line.left[i]) > within ? [string] : []
			),
			half: bestHalf(scale, wishes, worstOf(counted), options),
			conflict: conflictOf(wishes.filter(({ weight }) => weight > 0))
		};
	});
}

/**
 * A neck after a fret was moved and before anything was read: each string follows by where it crosses.
 * @param move mm towards the bridge at the lowest and at the highest string
 */
export function afterMove(neck: Neck, standing: NeckStanding, fret: number, move: FretEnds): NeckStanding {
	const ends = standing.frets.find((each) => each.fret === fret);
	if (!ends) throw new RangeError(`afterMove: there is no fret ${fret}`);
	return {
		...standing,
		frets: standing.frets.map((each) =>
			each.fret === fret ? { ...each, low: each.low + move.low, high: each.high + move.high } : each
		),
		notes: standing.notes.map((note) => {
			if (note.fret !== fret) return note;
			const u = across(neck, note.string);
			const place = ends.low + (ends.high - ends.low) * u;
			const by = centsOfMove(neck.scale, place, move.low + (move.high - move.low) * u);
			return { ...note, off: note.off + by, error: Math.hypot(note.error, MOVED_ERROR * by), isRead: false };
		})
	};
}

/** Strings to sound again after a move: those that it moved by more than a fret's reading tells. */
export function toCheckAgain(before: NeckStanding, after: NeckStanding, fret: number, least = 0.5): readonly number[] {
	return after.notes.flatMap(({ string, fret: at, off }, i) =>
		at === fret && Math.abs(off - before.notes[i].off) >= least ? [string] : []
	);
}
