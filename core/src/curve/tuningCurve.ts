import { audibility } from '../intervals/audibility';
import { addToBanded, bandedMatrix, factorBanded, solveFactored } from '../numeric/banded';
import { A4, equalHz } from '../units/pitch';
import { cents, hz, type Cents } from '../units/quantity';
import { CURVE_INTERVALS, type Priority } from './priorities';

/** How far partial n of a note lies above n times its first partial: by formula, or as measured. */
export type SharpnessAt = (note: number, partial: number) => Cents;

export interface CurveOptions {
	readonly lowest: number;
	readonly highest: number;
	readonly sharpnessAt: SharpnessAt;
	readonly priority: Priority;
	/** A second priority and its share, 0 to 1. */
	readonly blend?: { readonly with: Priority; readonly share: number };
	/** Notes kept where they are, cents from equal temperament; their neighbours follow. */
	readonly fixed?: ReadonlyMap<number, Cents>;
	/** Additional stretch on top, in cents at C8, by a smooth ramp from C6. */
	readonly topStretch?: Cents;
}

/** Deviations of first partials from equal temperament, before any temperament is laid on it. */
export interface TuningCurve {
	readonly lowest: number;
	readonly deviations: readonly Cents[];
	/** The note at 0: A4, or the nearest to it that the keyboard has. */
	readonly anchor: number;
}

/** What a bend of the curve costs against a cent of beating (second differences, cents squared). */
const SMOOTHNESS = 1.5;
/** Holds a note that nothing votes on at equal temperament; far too weak to move any other. */
const RIDGE = 1e-9;
const RAMP_FROM = 84;
const RAMP_TO = 108;

/**
 * Tuning curve by weighted least squares: the residual of an interval is
 * (x_U + s_U(q)) - (x_L + s_L(p)) + 100 (m_U - m_L) - 1200 log2(p/q) - target, the target being equal
 * temperament's own or 0 for what the priority wants pure; x has second differences that cost. Solved exactly
 * as a banded system; what an ear does not hear has no vote.
 * @throws RangeError when the compass is empty or a blend's share lies outside 0 to 1
 */
export function tuningCurve(options: CurveOptions): TuningCurve {
	const { lowest, highest, topStretch = 0 } = options;
	const size = highest - lowest + 1;
	if (!Number.isInteger(lowest) || !Number.isInteger(highest) || size < 1)
		throw new RangeError(`tuningCurve: the compass ${lowest} to ${highest} is not a range of notes`);
	const anchor = Math.min(Math.max(A4, lowest), highest);
	const pinned = new Map<number, number>([[anchor, 0], ...(options.fixed ?? [])]);
	const width = Math.min(36, size - 1);
	const matrix = bandedMatrix(size, Math.max(width, Math.min(2, size - 1)));
	const right = new Float64Array(size);
	const add = (i: number, j: number, value: number) => addToBanded(matrix, i, j, value);
	for (const { lower, upper, weight, constant } of votingIntervals(options)) {
		const [i, j] = [lower - lowest, upper - lowest];
		add(i, i, weight);
		add(j, j, weight);
		add(i, j, -weight);
		right[i] += weight * constant;
		right[j] -= weight * constant;
	}
	for (let i = 0; i < size; i++) add(i, i, RIDGE);
	for (let i = 1; i < size - 1; i++) {
		const parts = [1, -2, 1];
		for (let a = 0; a < 3; a++)
			for (let b = 0; b <= a; b++) add(i - 1 + a, i - 1 + b, SMOOTHNESS * parts[a] * parts[b]);
	}
	// A pinned note is no unknown: its column goes to the right side, its row says what it is.
	for (const [note, value] of pinned) {
		const k = note - lowest;
		if (k < 0 || k >= size) continue;
		const stride = matrix.width + 1;
		for (let i = Math.max(0, k - matrix.width); i <= Math.min(size - 1, k + matrix.width); i++) {
			if (i === k) continue;
			const place = i > k ? i * stride + k - i + matrix.width : k * stride + i - k + matrix.width;
			right[i] -= matrix.entries[place] * value;
			matrix.entries[place] = 0;
		}
		matrix.entries[k * stride + matrix.width] = 1;
		right[k] = value;
	}
	factorBanded(matrix);
	solveFactored(matrix, right);
	const ramp = (note: number) => topStretch * (Math.max(0, note - RAMP_FROM) / (RAMP_TO - RAMP_FROM)) ** 2;
	return {
		lowest,
		anchor,
		deviations: Array.from(right, (value, i) => cents(value + (pinned.has(lowest + i) ? 0 : ramp(lowest + i))))
	};
}

/** An interval with its say: weight, and the residual it would have on an unstretched keyboard. */
export interface VotingInterval {
	readonly lower: number;
	readonly upper: number;
	readonly weight: number;
	readonly constant: number;
}

/** Every interval on the keyboard that has a vote. */
export function votingIntervals({
	lowest,
	highest,
	sharpnessAt,
	priority,
	blend
}: CurveOptions): readonly VotingInterval[] {
	const share = blend?.share ?? 0;
	if (!(share >= 0 && share <= 1)) throw new RangeError(`votingIntervals: a blend of ${share} is not 0 to 1`);
	const found: VotingInterval[] = [];
	const votesBy = new Map<number, readonly [readonly number[], readonly number[]]>();
	const votes = (at: number) => {
		let known = votesBy.get(at);
		if (!known) votesBy.set(at, (known = [priority.votes(at), blend && share > 0 ? blend.with.votes(at) : []]));
		return known;
	};
	CURVE_INTERVALS.forEach(({ name, semitones, lowerPartial, upperPartial, equal }, k) => {
		const first = priority.pure.includes(name) ? 0 : equal;
		const second = blend?.with.pure.includes(name) ? 0 : equal;
		for (let lower = lowest; lower + semitones <= highest; lower++) {
			const upper = lower + semitones;
			const [own, other] = votes(lower + semitones / 2);
			const a = (1 - share) * own[k];
			const b = share * (other[k] ?? 0);
			if (a + b === 0) continue;
			const heardAt = hz(equalHz(lower, hz(440)) * lowerPartial);
			const weight = (a + b) * audibility(lowerPartial, upperPartial, heardAt);
			if (weight === 0) continue;
			const target = (a * first + b * second) / (a + b);
			const stretch = sharpnessAt(upper, upperPartial) - sharpnessAt(lower, lowerPartial);
			found.push({ lower, upper, weight, constant: stretch + equal - target });
		}
	});
	return found;
}
