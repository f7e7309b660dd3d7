import { audibility } from '../intervals/audibility';
import { addToBanded, bandedMatrix, bandedPlace, factorBanded, solveFactored, type Banded } from '../numeric/banded';
import { A4, equalHz } from '../units/pitch';
import { cents, hz, type Cents } from '../units/quantity';
import { CURVE_INTERVALS } from './curveIntervals';
import { type Priority } from './priorities';

/** How far partial n of a note lies above n times its first partial: by formula, or as measured. */
export type SharpnessAt = (note: number, partial: number) => Cents;

/** The strings that a curve is drawn for. */
export interface CurveKeyboard {
	readonly lowest: number;
	readonly highest: number;
	readonly sharpnessAt: SharpnessAt;
}

/** What a technician wants of a curve. */
export interface CurveWish {
	readonly priority: Priority;
	/** A second priority and its share, 0 to 1. */
	readonly blend?: { readonly with: Priority; readonly share: number };
	/** Notes kept where they are, cents from equal temperament; their neighbours follow. */
	readonly fixed?: ReadonlyMap<number, Cents>;
	/** Additional stretch on top, in cents at C8, by a smooth ramp from C6. */
	readonly topStretch?: Cents;
}

export type CurveOptions = CurveKeyboard & CurveWish;

/** Deviations of first partials from equal temperament, before any temperament is laid on it. */
export interface TuningCurve {
	readonly lowest: number;
	readonly deviations: readonly Cents[];
	/** The note at 0: A4, or the nearest to it that the keyboard has. */
	readonly anchor: number;
}

/** An interval with its say: weight, and the residual it would have on an unstretched keyboard. */
export interface VotingInterval {
	readonly lower: number;
	readonly upper: number;
	readonly lowerPartial: number;
	readonly upperPartial: number;
	readonly weight: number;
	readonly constant: number;
}

/** The equations of a wish, factored, to be solved for any right hand side. */
export interface CurveEquations {
	readonly anchor: number;
	readonly voting: readonly VotingInterval[];
	readonly pinned: ReadonlyMap<number, number>;
	/** Turns the right hand side into the solution; pinned notes come out as `at` says. */
	readonly solve: (right: Float64Array, at?: (note: number) => number) => void;
}

/** Curves of one keyboard: what does not depend on the wish is worked out once. */
export interface CurveSolver {
	readonly keyboard: CurveKeyboard;
	readonly solve: (wish: CurveWish) => TuningCurve;
	readonly equations: (wish: CurveWish) => CurveEquations;
}

/** What a bend of the curve costs against a cent of beating (second differences, cents squared). */
const SMOOTHNESS = 1.5;
/** Holds a note that nothing votes on at equal temperament; far too weak to move any other. */
const RIDGE = 1e-9;
const RAMP_FROM = 84;
const RAMP_TO = 108;
/** Semitones of the widest interval that votes, the triple octave. */
const WIDEST = 36;

/** Share of the top stretch that a note gets: none up to C6, all at C8. */
export function topRamp(note: number): number {
	return (Math.max(0, note - RAMP_FROM) / (RAMP_TO - RAMP_FROM)) ** 2;
}

/** Tuning curve of one wish; see curveSolver. @throws RangeError as curveSolver does */
export function tuningCurve(options: CurveOptions): TuningCurve {
	return curveSolver(options).solve(options);
}

/**
 * Tuning curves by weighted least squares: the residual of an interval is
 * (x_U + s_U(q)) - (x_L + s_L(p)) + 100 (m_U - m_L) - 1200 log2(p/q) - target, the target being equal
 * temperament's own or 0 for what the priority wants pure; x has second differences that cost. Solved exactly
 * as a banded system; what an ear does not hear has no vote.
 * @throws RangeError when the compass is empty, or when a wish's blend lies outside 0 to 1
 */
export function curveSolver(keyboard: CurveKeyboard): CurveSolver {
	const { lowest, highest } = keyboard;
	const size = highest - lowest + 1;
	if (!Number.isInteger(lowest) || !Number.isInteger(highest) || size < 1)
		throw new RangeError(`curveSolver: the compass ${lowest} to ${highest} is not a range of notes`);
	const anchor = Math.min(Math.max(A4, lowest), highest);
	const places = votingPlaces(keyboard);
	const votesOf = voteTable(places);
	const bends = bendsOf(size);

	const equations = (wish: CurveWish): CurveEquations => {
		const voting = weigh(places, wish, votesOf);
		const matrix: Banded = { ...bends, entries: bends.entries.slice() };
		for (const { lower, upper, weight } of voting) {
			const [i, j] = [lower - lowest, upper - lowest];
			addToBanded(matrix, i, i, weight);
			addToBanded(matrix, j, j, weight);
			addToBanded(matrix, j, i, -weight);
		}
		const pinned = new Map<number, number>([[anchor, 0 - (wish.topStretch ?? 0) * topRamp(anchor)]]);
		for (const [note, value] of wish.fixed ?? [])
			if (note >= lowest && note <= highest) pinned.set(note, value - (wish.topStretch ?? 0) * topRamp(note));
		const columns = takeOut(matrix, [...pinned.keys()], lowest);
		factorBanded(matrix);
		return {
			anchor,
			voting,
			pinned,
			solve: (right, at = (note) => pinned.get(note)!) => {
				for (const { row, times, note } of columns) right[row] -= times * at(note);
				for (const note of pinned.keys()) right[note - lowest] = at(note);
				solveFactored(matrix, right);
			}
		};
	};

	const solve = (wish: CurveWish): TuningCurve => {
		const { voting, solve } = equations(wish);
		const right = new Float64Array(size);
		for (const { lower, upper, weight, constant } of voting) {
			right[lower - lowest] += weight * constant;
			right[upper - lowest] -= weight * constant;
		}
		solve(right);
		const { topStretch = 0 } = wish;
		return {
			lowest,
			anchor,
			deviations: Array.from(right, (value, i) => cents(value + topStretch * topRamp(lowest + i)))
		};
	};
	return { keyboard, solve, equations };
}

/** Every interval on the keyboard that has a vote. @throws RangeError as curveSolver does */
export function votingIntervals(options: CurveOptions): readonly VotingInterval[] {
	return curveSolver(options).equations(options).voting;
}

/** An interval on the keyboard before anybody's wish. */
interface Place {
	readonly kind: number;
	readonly lower: number;
	readonly upper: number;
	readonly heard: number;
	/** What stiffness alone makes of it, cents from equal temperament's. */
	readonly stretch: number;
}

function votingPlaces({ lowest, highest, sharpnessAt }: CurveKeyboard): readonly Place[] {
	return CURVE_INTERVALS.flatMap(({ semitones, lowerPartial, upperPartial }, kind) => {
		const found: Place[] = [];
		for (let lower = lowest; lower + semitones <= highest; lower++) {
			const upper = lower + semitones;
			const heard = audibility(lowerPartial, upperPartial, hz(equalHz(lower, hz(440)) * lowerPartial));
			if (heard === 0) continue;
			const stretch = sharpnessAt(upper, upperPartial) - sharpnessAt(lower, lowerPartial);
			found.push({ kind, lower, upper, heard, stretch });
		}
		return found;
	});
}

/** A priority's votes at every place, worked out once. */
function voteTable(places: readonly Place[]): (priority: Priority) => Float64Array {
	const known = new Map<Priority, Float64Array>();
	return (priority) => {
		let table = known.get(priority);
		if (!table) {
			const at = new Map<number, readonly number[]>();
			table = Float64Array.from(places, ({ kind, lower, upper }) => {
				const middle = (lower + upper) / 2;
				const votes = at.get(middle) ?? priority.votes(middle);
				at.set(middle, votes);
				return votes[kind];
			});
			known.set(priority, table);
		}
		return table;
	};
}

function weigh(
	places: readonly Place[],
	{ priority, blend }: CurveWish,
	votesOf: (priority: Priority) => Float64Array
): readonly VotingInterval[] {
	const share = blend?.share ?? 0;
	if (!(share >= 0 && share <= 1)) throw new RangeError(`votingIntervals: a blend of ${share} is not 0 to 1`);
	const own = votesOf(priority);
	const other = blend && share > 0 ? votesOf(blend.with) : undefined;
	const targets = CURVE_INTERVALS.map(({ name, equal }) => [
		priority.pure.includes(name) ? 0 : equal,
		blend?.with.pure.includes(name) ? 0 : equal
	]);
	const found: VotingInterval[] = [];
	places.forEach(({ kind, lower, upper, heard, stretch }, i) => {
		const a = (1 - share) * own[i];
		const b = other ? share * other[i] : 0;
		if (a + b === 0) return;
		const { equal, lowerPartial, upperPartial } = CURVE_INTERVALS[kind];
		const target = (a * targets[kind][0] + b * targets[kind][1]) / (a + b);
		const constant = stretch + equal - target;
		found.push({ lower, upper, lowerPartial, upperPartial, weight: (a + b) * heard, constant });
	});
	return found;
}

/** The cost of bends, and the ridge: the same for every wish. */
function bendsOf(size: number): Banded {
	const matrix = bandedMatrix(size, Math.min(WIDEST, size - 1));
	for (let i = 0; i < size; i++) addToBanded(matrix, i, i, RIDGE);
	const parts = [1, -2, 1];
	for (let i = 1; i < size - 1; i++)
		for (let a = 0; a < 3; a++)
			for (let b = 0; b <= a; b++) addToBanded(matrix, i - 1 + a, i - 1 + b, SMOOTHNESS * parts[a] * parts[b]);
	return matrix;
}

/** A pinned note is no unknown: its column goes to the right side, its row says what it is. */
function takeOut(matrix: Banded, notes: readonly number[], lowest: number) {
	const columns: { readonly row: number; readonly times: number; readonly note: number }[] = [];
	for (const note of notes) {
		const k = note - lowest;
		for (let i = Math.max(0, k - matrix.width); i <= Math.min(matrix.size - 1, k + matrix.width); i++) {
			if (i === k) continue;
			const place = bandedPlace(matrix, i, k);
			if (matrix.entries[place] !== 0) columns.push({ row: i, times: matrix.entries[place], note });
			matrix.entries[place] = 0;
		}
		matrix.entries[bandedPlace(matrix, k, k)] = 1;
	}
	return columns;
}
