import { inverse, Matrix } from 'ml-matrix';
import { countableEdges, type Edge } from '../bearing/edges';
import { cents } from '../units/quantity';
import { CountEquations } from './countEquations';
import type { CountedBeats, CountRefusal } from './counts';

/** Less sure than this, in cents, a note's pitch is no basis for advice. */
const UNCERTAIN = 1;
/**
 * More than this, in cents, an unseen miscount must not shift any note (external reliability, Baarda 1968).
 * Fourths and fifths alone stand at 8 to 11, both thirds with fifths at 3, all intervals of an octave at 1.6.
 */
const UNSEEN = 5;
/** The smallest slip that is found with power 0.8 at one in a thousand, in standard deviations (Baarda 1968). */
const DETECTABLE = 4.13;
/** Whatever is claimed, a common bias of a tenth per second must not be able to hide in the counts. */
const BIAS_TO_STAND = 0.1;
/** A count that keeps less than this share of its variance is checked by nothing but itself. */
export const UNCHECKED = 0.01;
const MOST_MISSING = 4;

/** Why nothing can be said of these counts yet; undefined when they are enough. */
export function tooWeak(equations: CountEquations): CountRefusal | undefined {
	const notes = looseNotes(equations);
	if (notes.length) return { reason: 'unconnected', notes, missing: missingCounts(equations) };
	return weakness(equations);
}

/** Are all notes fixed well enough, and is every count checked by others, whatever the counts say? */
function weakness(equations: CountEquations): CountRefusal | undefined {
	const { worst, error, count, shift } = strengthOf(equations);
	if (error > UNCERTAIN)
		return { reason: 'uncertain', note: worst, error: cents(error), missing: missingCounts(equations) };
	if (shift <= UNSEEN) return undefined;
	return {
		reason: 'unchecked',
		count: equations.counts[count],
		shift: shift < Infinity ? cents(shift) : undefined,
		missing: missingCounts(equations)
	};
}

/** The least sure note, and the count whose unseen slip would shift notes most, with both in cents. */
function strengthOf(equations: CountEquations) {
	const at = new Array<number>(equations.size).fill(0);
	const signs = equations.likeliest();
	const bias = Math.max(equations.options.bias, BIAS_TO_STAND);
	const spread = inverse(equations.information(signs, at, new Set(), bias));
	let [worst, error] = [equations.notes[0], 0];
	for (const [note, i] of equations.place) {
		const own = Math.sqrt(spread.get(i, i));
		if (own > error) [worst, error] = [note, own];
	}
	const shifts = equations.counts.map((one, i) => {
		const { slope } = equations.linearised(one, equations.signOf(i, signs), at);
		const shared = spread.mmul(Matrix.columnVector(slope)).to1DArray();
		const own = slope.reduce((sum, each, k) => sum + each * shared[k], 0);
		const kept = 1 - own / one.error ** 2;
		const reach = Math.max(...shared.slice(0, -1).map(Math.abs));
		return kept > UNCHECKED ? ((DETECTABLE / Math.sqrt(kept)) * reach) / one.error : Infinity;
	});
	const shift = Math.max(...shifts);
	return { worst, error, shifts, shift, count: shifts.indexOf(shift) };
}

/** Notes that no chain of counts joins to the reference. */
function looseNotes(equations: CountEquations): readonly number[] {
	const joined = new Set([equations.options.reference]);
	for (let grown = true; grown;) {
		grown = false;
		for (const { lower, upper } of equations.counts)
			if (joined.has(lower) !== joined.has(upper)) {
				joined.add(lower).add(upper);
				grown = true;
			}
	}
	return equations.notes.filter((note) => !joined.has(note));
}

/** Intervals nobody counted yet, the surest first. */
function candidates(equations: CountEquations): readonly Edge[] {
	const notes = [...equations.notes, equations.options.reference];
	const counted = new Set(equations.counts.map(({ lower, upper }) => 1000 * lower + upper));
	return countableEdges([...new Set(notes)], equations.options.strings, { floor: 0.1, share: 0.06, bias: 0 })
		.filter(({ lower, upper }) => !counted.has(1000 * lower + upper))
		.sort((a, b) => a.scatter / a.perCentUpper - b.scatter / b.perCentUpper);
}

/** The intervals to count as well, each time the one that helps most, until the rest is strong enough. */
function missingCounts(equations: CountEquations): readonly Edge[] {
	const chosen: Edge[] = [];
	let counts = equations.counts;
	while (chosen.length < MOST_MISSING) {
		const before = scoreOf(new CountEquations(counts, equations.options));
		if (before <= 1) break;
		let best: { edge: Edge; counts: readonly CountedBeats[]; score: number } | undefined;
		for (const edge of candidates(new CountEquations(counts, equations.options))) {
			const { lower, upper, kind, rate, scatter: error } = edge;
			const more = [...counts, { lower, upper, kind, rate: Math.abs(rate), sense: 'unknown' as const, error }];
			const score = scoreOf(new CountEquations(more, equations.options));
			if (!best || score < best.score) best = { edge, counts: more, score };
		}
		if (!best || best.score >= before) break;
		chosen.push(best.edge);
		counts = best.counts;
	}
	return chosen;
}

/** 1 or less is good enough; notes left hanging weigh most, then unsure notes, then all unchecked counts together. */
function scoreOf(equations: CountEquations): number {
	const loose = looseNotes(equations).length;
	if (loose) return 1e6 * loose;
	const { error, shifts, shift } = strengthOf(equations);
	if (error > UNCERTAIN) return (1e5 * error) / UNCERTAIN;
	if (shift <= UNSEEN) return shift / UNSEEN;
	return 1 + shifts.reduce((sum, each) => sum + (each > UNSEEN ? Math.min(each / UNSEEN, 20) : 0), 0);
}
