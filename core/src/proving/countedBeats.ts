import { inverse, Matrix } from 'ml-matrix';
import { cents } from '../units/quantity';
import { chiSquaredLimit } from './chiSquared';
import { CountEquations, type Signed } from './countEquations';
import { MOST_SOLUTIONS, readingsOf } from './countReadings';
import { tooWeak, UNCHECKED } from './countStrength';
import type { CountedBeats, CountOptions, CountRefusal, CountResidual, CountResult, CountSolution } from './counts';
import type { MeasuredNotes } from './measuredNotes';

/** A count strained by more than this contradicts the others (about one in a thousand by chance). */
const STRAIN_LIMIT = 3.3;
/** Further than this from its place, in cents, a note is another note. */
const FARTHEST = 60;
const ROUNDS = 8;
const MOST_SET_ASIDE = 3;

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
	const equations = new CountEquations(counts, options);
	const why = tooWeak(equations);
	if (why) return refused(why);
	const { readings, more } = readingsOf(equations);
	const solved = readings.map((signs) => solve(equations, signs)).sort((a, b) => a.chiSquared - b.chiSquared);
	const plausible = solved.filter(({ fits, measured }) => fits && isPlausible(measured));
	if (plausible.length)
		return {
			kind: 'solved',
			solutions: plausible.slice(0, MOST_SOLUTIONS),
			more: more || plausible.length > MOST_SOLUTIONS
		};
	return { kind: 'solved', solutions: [settle(equations, readings[0] ?? equations.likeliest())], more: false };
}

const refused = (why: CountRefusal): CountResult => ({ kind: 'refused', why });

function isPlausible({ deviations }: MeasuredNotes): boolean {
	return deviations.every((deviation) => Math.abs(deviation) <= FARTHEST);
}

/** Least squares with the senses given; counts in `without` are set aside. */
function solve(equations: CountEquations, signs: Signed, without: ReadonlySet<number> = new Set()): CountSolution {
	let at: number[] = new Array<number>(equations.size).fill(0);
	let spread = Matrix.eye(equations.size);
	for (let round = 0; round < ROUNDS; round++) {
		spread = inverse(equations.information(signs, at, without));
		const pull = new Array<number>(equations.size).fill(0);
		pull[equations.size - 1] = -at[equations.size - 1] / Math.max(equations.options.bias, 1e-6) ** 2;
		equations.counts.forEach((count, i) => {
			if (without.has(i)) return;
			const sign = equations.signOf(i, signs);
			const { beat, slope } = equations.linearised(count, sign, at);
			slope.forEach((each, a) => (pull[a] += (each * (sign * count.rate - beat)) / count.error ** 2));
		});
		const step = spread.mmul(Matrix.columnVector(pull)).to1DArray();
		at = at.map((value, i) => value + step[i]);
		if (step.every((each) => Math.abs(each) < 1e-9)) break;
	}
	return solutionOf(equations, signs, at, spread, without);
}

function solutionOf(
	equations: CountEquations,
	signs: Signed,
	at: readonly number[],
	spread: Matrix,
	without: ReadonlySet<number>
): CountSolution {
	let chiSquared = (at[equations.size - 1] / Math.max(equations.options.bias, 1e-6)) ** 2;
	const residuals = equations.counts.map((count, i): CountResidual => {
		const sign = equations.signOf(i, signs);
		const { beat, slope } = equations.linearised(count, sign, at);
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
	const freedom = equations.counts.length - without.size - (equations.size - 1);
	const index = (note: number) => equations.place.get(note);
	return {
		measured: {
			notes: equations.notes,
			deviations: equations.notes.map((note) => cents(index(note) === undefined ? 0 : at[index(note)!])),
			covariance: equations.notes.map((a) =>
				equations.notes.map((b) => {
					const [i, j] = [index(a), index(b)];
					return i === undefined || j === undefined ? 0 : spread.get(i, j);
				})
			)
		},
		bias: at[equations.size - 1],
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
function settle(equations: CountEquations, signs: Signed): CountSolution {
	const aside: number[] = [];
	let solution = solve(equations, signs);
	while (!solution.fits && aside.length < MOST_SET_ASIDE) {
		let worst: number | undefined;
		solution.residuals.forEach(({ strain }, i) => {
			if (strain === undefined || aside.includes(i)) return;
			if (worst === undefined || Math.abs(strain) > Math.abs(solution.residuals[worst].strain!)) worst = i;
		});
		if (worst === undefined || Math.abs(solution.residuals[worst].strain!) < STRAIN_LIMIT) break;
		const next = solve(equations, signs, new Set([...aside, worst]));
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
