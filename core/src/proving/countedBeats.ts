import { inverse, Matrix } from 'ml-matrix';
import { biasSense, countScatter, type Ear } from '../bearing/ear';
import { countableEdges, type Edge } from '../bearing/edges';
import { INTERVALS, type IntervalKind } from '../intervals/intervalKinds';
import { partialHz, type StiffString } from '../strings/stiffString';
import { cents, type Cents } from '../units/quantity';
import { chiSquaredLimit } from './chiSquared';
import type { MeasuredNotes } from './measuredNotes';

/** An interval that somebody counted. */
export interface CountedBeats {
	readonly lower: number;
	readonly upper: number;
	readonly kind: IntervalKind;
	/** Beats per second, 0 or more. */
	readonly rate: number;
	readonly sense: 'wide' | 'narrow' | 'unknown';
	/** Standard deviation of the count, per second. */
	readonly error: number;
}

export interface CountOptions {
	/** The strings where they are meant to be: the solution is sought around them. */
	readonly strings: (note: number) => StiffString;
	/** The note whose pitch is known to be right (the fork's): beats alone hardly tell the level. */
	readonly reference: number;
	/** What all counts together may be too fast or too slow by, per second (standard deviation). */
	readonly bias: number;
}

/** How well one count goes with all the others. */
export interface CountResidual {
	readonly count: CountedBeats;
	readonly sense: 'wide' | 'narrow';
	/** What the solution makes of the interval, signed, per second. */
	readonly fitted: number;
	/** (counted - fitted) over its standard deviation (Baarda 1968); undefined when no other count checks this one. */
	readonly strain: number | undefined;
}

/** The count that goes least with the others, and what is found without it. */
export interface Contradiction {
	readonly index: number;
	/** The rate that the others ask for, signed. */
	readonly expected: number;
	/** Its size agrees with the others once wide is taken for narrow, or narrow for wide. */
	readonly otherSense: boolean;
}

export interface CountSolution {
	readonly measured: MeasuredNotes;
	/** All counts too fast (positive) or too slow by this, per second. */
	readonly bias: number;
	readonly residuals: readonly CountResidual[];
	readonly chiSquared: number;
	readonly freedom: number;
	readonly fits: boolean;
	/** Set aside, worst first, until the rest agree. The measured notes are what the rest say. */
	readonly contradictions: readonly Contradiction[];
}

export type CountResult =
	| { readonly kind: 'solved'; readonly solutions: readonly CountSolution[]; readonly more: boolean }
	| { readonly kind: 'refused'; readonly why: CountRefusal };

export type CountRefusal =
	| { readonly reason: 'no counts' }
	/** `notes` hang on nothing that leads to the reference. */
	| { readonly reason: 'unconnected'; readonly notes: readonly number[]; readonly missing: readonly Edge[] }
	/** `note` is known no better than `error` cents. */
	| { readonly reason: 'uncertain'; readonly note: number; readonly error: Cents; readonly missing: readonly Edge[] }
	/** A miscount of `count` could stay unseen and shift notes by `shift` cents; undefined when nothing checks it at all. */
	| {
			readonly reason: 'unchecked';
			readonly count: CountedBeats;
			readonly shift: Cents | undefined;
			readonly missing: readonly Edge[];
	  };

/** Less sure than this, in cents, a note's pitch is no basis for advice. */
export const UNCERTAIN = 1;
/**
 * More than this, in cents, an unseen miscount must not shift any note (external reliability, Baarda 1968).
 * Fourths and fifths alone stand at 8 to 11, both thirds with fifths at 3, all intervals of an octave at 1.6.
 */
export const UNSEEN = 5;
/** The smallest slip that is found with power 0.8 at one in a thousand, in standard deviations (Baarda 1968). */
const DETECTABLE = 4.13;
/** Whatever is claimed, a common bias of a tenth per second must not be able to hide in the counts. */
const BIAS_TO_STAND = 0.1;
/** A count that keeps less than this share of its variance is checked by nothing but itself. */
const UNCHECKED = 0.01;
const MOST_MISSING = 4;
/** A count strained by more than this contradicts the others (about one in a thousand by chance). */
const STRAIN_LIMIT = 3.3;
/** How far from its place a note is looked for when wide or narrow is unknown, in cents (standard deviation, and limit). */
const PLAUSIBLE = 20;
const FARTHEST = 60;
const MOST_SOLUTIONS = 16;
const MOST_BRANCHES = 4000;
const ROUNDS = 8;
const MOST_SET_ASIDE = 3;

/** The ear's own scatter for a count, rounding to a tenth included. */
export function countError(ear: Ear, rate: number): number {
	return Math.hypot(countScatter(ear, rate), 0.1 / Math.sqrt(12));
}

type Signed = readonly (1 | -1)[];

/**
 * The most probable pitches behind counted beats: weighted least squares on q F_U sqrt(1 + B_U q^2) -
 * p F_L sqrt(1 + B_L p^2), iterated (Gauss-Newton), with one bias for all counts as a further unknown.
 * Where wide or narrow is unknown every reading that fits is reported.
 * @throws RangeError when a count is not finite, is negative, or has no positive error
 */
export function pitchesFromCounts(counts: readonly CountedBeats[], options: CountOptions): CountResult {
	for (const { rate, error } of counts)
		if (!(rate >= 0 && rate < Infinity && error > 0 && error < Infinity))
			throw new RangeError(`pitchesFromCounts: rate ${rate} with error ${error} is no count`);
	if (counts.length === 0) return refused({ reason: 'no counts' });
	const system = new System(counts, options);
	const why = system.unconnected() ?? system.weak();
	if (why) return refused(why);
	const { readings, more } = system.readings();
	const solved = readings.map((signs) => system.solve(signs)).sort((a, b) => a.chiSquared - b.chiSquared);
	const plausible = solved.filter(({ fits, measured }) => fits && isPlausible(measured));
	if (plausible.length)
		return {
			kind: 'solved',
			solutions: plausible.slice(0, MOST_SOLUTIONS),
			more: more || plausible.length > MOST_SOLUTIONS
		};
	return { kind: 'solved', solutions: [system.settle(readings[0] ?? system.likeliest())], more: false };
}

const refused = (why: CountRefusal): CountResult => ({ kind: 'refused', why });

function isPlausible({ deviations }: MeasuredNotes): boolean {
	return deviations.every((deviation) => Math.abs(deviation) <= FARTHEST);
}

/** Counts as equations for the notes' deviations (all but the reference's) and the bias, which comes last. */
class System {
	readonly notes: readonly number[];
	private readonly place: ReadonlyMap<number, number>;
	private readonly size: number;

	constructor(
		readonly counts: readonly CountedBeats[],
		readonly options: CountOptions
	) {
		const named = new Set(counts.flatMap(({ lower, upper }) => [lower, upper]));
		this.notes = [...named].sort((a, b) => a - b);
		const unknown = this.notes.filter((note) => note !== options.reference);
		this.place = new Map(unknown.map((note, i) => [note, i]));
		this.size = unknown.length + 1;
	}

	/** Beat and its slope by every unknown, at the given deviations. */
	private linearised({ lower, upper, kind }: CountedBeats, sign: number, at: readonly number[]) {
		const partial = (note: number, n: number) => {
			const i = this.place.get(note);
			return partialHz(this.options.strings(note), n) * 2 ** ((i === undefined ? 0 : at[i]) / 1200);
		};
		const [low, high] = [partial(lower, kind.lowerPartial), partial(upper, kind.upperPartial)];
		const slope = new Array<number>(this.size).fill(0);
		const [i, j] = [this.place.get(lower), this.place.get(upper)];
		if (i !== undefined) slope[i] = (-low * Math.LN2) / 1200;
		if (j !== undefined) slope[j] = (high * Math.LN2) / 1200;
		const bias = sign * Math.abs(biasSense(high - low));
		slope[this.size - 1] = bias;
		return { beat: high - low + bias * at[this.size - 1], slope };
	}

	private signOf(i: number, signs: Signed): number {
		const { sense } = this.counts[i];
		return sense === 'wide' ? 1 : sense === 'narrow' ? -1 : signs[i];
	}

	unconnected(): CountRefusal | undefined {
		const notes = this.loose();
		return notes.length ? { reason: 'unconnected', notes, missing: this.missing() } : undefined;
	}

	/** Notes that no chain of counts joins to the reference. */
	private loose(): readonly number[] {
		const joined = new Set([this.options.reference]);
		for (let grown = true; grown;) {
			grown = false;
			for (const { lower, upper } of this.counts)
				if (joined.has(lower) !== joined.has(upper)) {
					joined.add(lower).add(upper);
					grown = true;
				}
		}
		return this.notes.filter((note) => !joined.has(note));
	}

	/** Intervals nobody counted yet, the surest first. */
	private candidates(): readonly Edge[] {
		const notes = [...this.notes, this.options.reference];
		const counted = new Set(this.counts.map(({ lower, upper }) => 1000 * lower + upper));
		return countableEdges([...new Set(notes)], this.options.strings, { floor: 0.1, share: 0.06, bias: 0 })
			.filter(({ lower, upper }) => !counted.has(1000 * lower + upper))
			.sort((a, b) => a.scatter / a.perCentUpper - b.scatter / b.perCentUpper);
	}

	/** Are all notes fixed well enough, and is every count checked by others, whatever the counts say? */
	weak(): CountRefusal | undefined {
		const { worst, error, count, shift } = this.strength();
		if (error > UNCERTAIN) return { reason: 'uncertain', note: worst, error: cents(error), missing: this.missing() };
		if (shift <= UNSEEN) return undefined;
		return {
			reason: 'unchecked',
			count: this.counts[count],
			shift: shift < Infinity ? cents(shift) : undefined,
			missing: this.missing()
		};
	}

	/** The least sure note, and the count whose unseen slip would shift notes most, with both in cents. */
	private strength() {
		const at = new Array<number>(this.size).fill(0);
		const signs = this.likeliest();
		const bias = Math.max(this.options.bias, BIAS_TO_STAND);
		const spread = inverse(this.information(signs, at, new Set(), bias));
		let [worst, error] = [this.notes[0], 0];
		for (const [note, i] of this.place) {
			const own = Math.sqrt(spread.get(i, i));
			if (own > error) [worst, error] = [note, own];
		}
		const shifts = this.counts.map((one, i) => {
			const { slope } = this.linearised(one, this.signOf(i, signs), at);
			const shared = spread.mmul(Matrix.columnVector(slope)).to1DArray();
			const own = slope.reduce((sum, each, k) => sum + each * shared[k], 0);
			const kept = 1 - own / one.error ** 2;
			const reach = Math.max(...shared.slice(0, -1).map(Math.abs));
			return kept > UNCHECKED ? ((DETECTABLE / Math.sqrt(kept)) * reach) / one.error : Infinity;
		});
		const shift = Math.max(...shifts);
		return { worst, error, shifts, shift, count: shifts.indexOf(shift) };
	}

	/** The intervals to count as well, each time the one that helps most, until the rest is strong enough. */
	private missing(): readonly Edge[] {
		const chosen: Edge[] = [];
		let counts = this.counts;
		while (chosen.length < MOST_MISSING) {
			const before = new System(counts, this.options).score();
			if (before <= 1) break;
			let best: { edge: Edge; counts: readonly CountedBeats[]; score: number } | undefined;
			for (const edge of new System(counts, this.options).candidates()) {
				const { lower, upper, kind, rate, scatter: error } = edge;
				const more = [...counts, { lower, upper, kind, rate: Math.abs(rate), sense: 'unknown' as const, error }];
				const score = new System(more, this.options).score();
				if (!best || score < best.score) best = { edge, counts: more, score };
			}
			if (!best || best.score >= before) break;
			chosen.push(best.edge);
			counts = best.counts;
		}
		return chosen;
	}

	/** 1 or less is good enough; notes left hanging weigh most, then unsure notes, then all unchecked counts together. */
	private score(): number {
		const loose = this.loose().length;
		if (loose) return 1e6 * loose;
		const { error, shifts, shift } = this.strength();
		if (error > UNCERTAIN) return (1e5 * error) / UNCERTAIN;
		if (shift <= UNSEEN) return shift / UNSEEN;
		return 1 + shifts.reduce((sum, each) => sum + (each > UNSEEN ? Math.min(each / UNSEEN, 20) : 0), 0);
	}

	/** Normal equations' matrix; a whisper of prior keeps what is not determined finite and visibly large. */
	private information(
		signs: Signed,
		at: readonly number[],
		without: ReadonlySet<number>,
		bias = this.options.bias
	): Matrix {
		const matrix = Matrix.eye(this.size, this.size, 1e-6);
		matrix.set(this.size - 1, this.size - 1, 1 / Math.max(bias, 1e-6) ** 2);
		this.counts.forEach((count, i) => {
			if (without.has(i)) return;
			const { slope } = this.linearised(count, this.signOf(i, signs), at);
			for (let a = 0; a < this.size; a++)
				for (let b = 0; b < this.size; b++)
					if (slope[a] && slope[b]) matrix.set(a, b, matrix.get(a, b) + (slope[a] * slope[b]) / count.error ** 2);
		});
		return matrix;
	}

	/** The senses that the intended strings would have: where the search starts. */
	likeliest(): Signed {
		const none = new Array<number>(this.size).fill(0);
		return this.counts.map((count) => (this.linearised(count, 0, none).beat < 0 ? -1 : 1));
	}

	/** Least squares with the senses given; counts in `without` are set aside. */
	solve(signs: Signed, without: ReadonlySet<number> = new Set()): CountSolution {
		let at: number[] = new Array<number>(this.size).fill(0);
		let spread = Matrix.eye(this.size);
		for (let round = 0; round < ROUNDS; round++) {
			spread = inverse(this.information(signs, at, without));
			const pull = new Array<number>(this.size).fill(0);
			pull[this.size - 1] = -at[this.size - 1] / Math.max(this.options.bias, 1e-6) ** 2;
			this.counts.forEach((count, i) => {
				if (without.has(i)) return;
				const sign = this.signOf(i, signs);
				const { beat, slope } = this.linearised(count, sign, at);
				slope.forEach((each, a) => (pull[a] += (each * (sign * count.rate - beat)) / count.error ** 2));
			});
			const step = spread.mmul(Matrix.columnVector(pull)).to1DArray();
			at = at.map((value, i) => value + step[i]);
			if (step.every((each) => Math.abs(each) < 1e-9)) break;
		}
		return this.solution(signs, at, spread, without);
	}

	private solution(signs: Signed, at: readonly number[], spread: Matrix, without: ReadonlySet<number>): CountSolution {
		let chiSquared = (at[this.size - 1] / Math.max(this.options.bias, 1e-6)) ** 2;
		const residuals = this.counts.map((count, i): CountResidual => {
			const sign = this.signOf(i, signs);
			const { beat, slope } = this.linearised(count, sign, at);
			const off = sign * count.rate - beat;
			if (!without.has(i)) chiSquared += (off / count.error) ** 2;
			const row = Matrix.rowVector(slope);
			const own = row.mmul(spread).mmul(row.transpose()).get(0, 0);
			const variance = without.has(i) ? count.error ** 2 + own : count.error ** 2 - own;
			return {
				count,
				sense: sign > 0 ? 'wide' : 'narrow',
				fitted: beat,
				strain: variance > UNCHECKED * count.error ** 2 ? off / Math.sqrt(variance) : undefined
			};
		});
		const freedom = this.counts.length - without.size - (this.size - 1);
		const index = (note: number) => this.place.get(note);
		return {
			measured: {
				notes: this.notes,
				deviations: this.notes.map((note) => cents(index(note) === undefined ? 0 : at[index(note)!])),
				covariance: this.notes.map((a) =>
					this.notes.map((b) => {
						const [i, j] = [index(a), index(b)];
						return i === undefined || j === undefined ? 0 : spread.get(i, j);
					})
				)
			},
			bias: at[this.size - 1],
			residuals,
			chiSquared,
			freedom,
			fits:
				chiSquared <= chiSquaredLimit(freedom, 1000) + 1e-9 &&
				residuals.every(
					({ strain }, i) => without.has(i) || strain === undefined || Math.abs(strain) < STRAIN_LIMIT + 0.7
				),
			contradictions: []
		};
	}

	/** Sets the most strained count aside, again and again, until the rest agree. */
	settle(signs: Signed): CountSolution {
		const aside: number[] = [];
		let solution = this.solve(signs);
		while (!solution.fits && aside.length < MOST_SET_ASIDE) {
			let worst: number | undefined;
			solution.residuals.forEach(({ strain }, i) => {
				if (strain === undefined || aside.includes(i)) return;
				if (worst === undefined || Math.abs(strain) > Math.abs(solution.residuals[worst].strain!)) worst = i;
			});
			if (worst === undefined || Math.abs(solution.residuals[worst].strain!) < STRAIN_LIMIT) break;
			const next = this.solve(signs, new Set([...aside, worst]));
			aside.push(worst);
			solution = next;
		}
		return {
			...solution,
			contradictions: aside.map((index) => {
				const { count, fitted } = solution.residuals[index];
				const otherSense = Math.abs(Math.abs(fitted) - count.rate) < 2 * count.error;
				return { index, expected: fitted, otherSense };
			})
		};
	}

	/**
	 * Every way to read the unknown senses that may fit: a search that decides the clearest count first and
	 * drops a branch as soon as it strains too much. Deviations are expected within 20 cents of their place.
	 */
	readings(): { readings: readonly Signed[]; more: boolean } {
		const unknown = this.counts.flatMap(({ sense, rate, error }, i) =>
			sense === 'unknown' && rate > error / 2 ? [i] : []
		);
		const base = this.likeliest();
		if (unknown.length === 0) return { readings: [base], more: false };
		const start = this.startState();
		this.counts.forEach((_, i) => {
			if (!unknown.includes(i)) this.update(start, i, this.signOf(i, base));
		});
		const found: Signed[] = [];
		let branches = 0;
		const search = (state: State, left: readonly number[], signs: Signed) => {
			if (branches++ > MOST_BRANCHES || found.length > MOST_SOLUTIONS) return;
			if (left.length === 0) {
				found.push(signs);
				return;
			}
			const judged = left.map((i) => {
				const costs = ([1, -1] as const).map((sign) => ({ sign, cost: this.cost(state, i, sign) }));
				return { i, costs, clear: Math.abs(costs[0].cost - costs[1].cost) };
			});
			const { i, costs } = judged.reduce((a, b) => (b.clear > a.clear ? b : a));
			const rest = left.filter((each) => each !== i);
			for (const { sign, cost } of costs.sort((a, b) => a.cost - b.cost)) {
				const done = this.counts.length - rest.length;
				if (state.cost + cost > chiSquaredLimit(done + 2, 1000)) continue;
				const next: State = { at: [...state.at], spread: state.spread.clone(), cost: state.cost };
				this.update(next, i, sign);
				search(
					next,
					rest,
					signs.map((each, k) => (k === i ? sign : each))
				);
			}
		};
		search(start, unknown, base);
		return { readings: found, more: branches > MOST_BRANCHES || found.length > MOST_SOLUTIONS };
	}

	private startState(): State {
		const spread = Matrix.eye(this.size, this.size, PLAUSIBLE ** 2);
		spread.set(this.size - 1, this.size - 1, Math.max(this.options.bias, 1e-6) ** 2);
		return { at: new Array<number>(this.size).fill(0), spread, cost: 0 };
	}

	private innovation({ at, spread }: State, i: number, sign: number) {
		const { beat, slope } = this.linearised(this.counts[i], sign, at);
		const shared = spread.mmul(Matrix.columnVector(slope)).to1DArray();
		const variance = slope.reduce((sum, each, k) => sum + each * shared[k], 0) + this.counts[i].error ** 2;
		return { off: sign * this.counts[i].rate - beat, shared, variance };
	}

	private cost(state: State, i: number, sign: number): number {
		const { off, variance } = this.innovation(state, i, sign);
		return off ** 2 / variance;
	}

	/** One step of a Kalman filter: the count enters, the state learns. */
	private update(state: State, i: number, sign: number): void {
		const { off, shared, variance } = this.innovation(state, i, sign);
		shared.forEach((each, k) => (state.at[k] += (each * off) / variance));
		for (let a = 0; a < this.size; a++)
			for (let b = 0; b < this.size; b++)
				state.spread.set(a, b, state.spread.get(a, b) - (shared[a] * shared[b]) / variance);
		state.cost += off ** 2 / variance;
	}
}

interface State {
	at: number[];
	spread: Matrix;
	cost: number;
}

/** The coincidence a count of that interval is heard at; octaves by their 4:2, as the ear takes them in the middle. */
export function countedKind(semitones: number): IntervalKind | undefined {
	return Object.values(INTERVALS).find(
		(kind) => kind.semitones === semitones && kind !== INTERVALS.octave && kind !== INTERVALS.octave63
	);
}
