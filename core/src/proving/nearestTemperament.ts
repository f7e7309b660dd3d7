import { weightedMean } from '../numeric/weighted';
import { offsetsFromEqual, transposed, type Temperament } from '../temperament/temperament';
import { cents, type Cents } from '../units/quantity';
import { chiSquaredLimit } from './chiSquared';
import type { ClassOffsets } from './measuredNotes';

export interface Candidate {
	readonly temperament: Temperament;
	/** The note class that stands where the temperament has C. */
	readonly root: number;
	/** Weighted root mean square of what is left after the mean offset is taken out. */
	readonly rms: Cents;
	readonly chiSquared: number;
}

export interface NearestTemperament {
	readonly best: Candidate;
	readonly runnerUp: Candidate | undefined;
	/** Every one that chance does not tell from the best, itself among them, nearest first. */
	readonly alike: readonly Candidate[];
	/** Other names under which the best one stands in the library, with their roots. */
	readonly same: readonly Candidate[];
	/** The runner-up fits worse by more than chance would have it (chi squared larger by 9, three standard deviations). */
	readonly significant: boolean;
	/** The best one fits within the errors (chi squared of eleven freedoms, one in a thousand). */
	readonly fits: boolean;
}

const CLEAR = 9;
/** Two temperaments nearer than this are one under two names, in cents rms. */
const SAME_CENTS = 0.02;

/** The library's temperament, at any root, that comes nearest to twelve measured pitch classes. */
export function nearestTemperament(
	{ offsets, errors }: ClassOffsets,
	library: readonly Temperament[]
): NearestTemperament {
	const weights = errors.map((error) => 1 / Math.max(error, 0.01) ** 2);
	const total = weights.reduce((sum, weight) => sum + weight, 0);
	const distance = (a: readonly number[], b: readonly number[]) =>
		weightedMean(
			a.map((each, i) => each - b[i]),
			weights
		).left;
	const candidates = library
		.flatMap((temperament) =>
			Array.from({ length: 12 }, (_, root) => {
				const own = offsetsFromEqual(transposed(temperament, root));
				const chiSquared = distance(offsets, own);
				return { temperament, root, own, chiSquared, rms: cents(Math.sqrt(chiSquared / total)) };
			})
		)
		// Where two are one under two names, the untransposed name comes first.
		.sort((a, b) => a.chiSquared - b.chiSquared || a.root - b.root);
	const isSame = (a: readonly number[], b: readonly number[]) => Math.sqrt(distance(a, b) / total) < SAME_CENTS;
	const twins = candidates.filter(({ own }) => isSame(own, candidates[0].own)).sort((a, b) => a.root - b.root);
	const [best] = twins;
	const runnerUp = candidates.find(({ own }) => !isSame(own, best.own));
	return {
		best,
		runnerUp,
		alike: candidates.filter(({ chiSquared }) => chiSquared - candidates[0].chiSquared <= CLEAR),
		same: twins.filter(
			({ temperament }, i) =>
				temperament !== best.temperament && i === twins.findIndex((twin) => twin.temperament === temperament)
		),
		significant: !runnerUp || runnerUp.chiSquared - best.chiSquared > CLEAR,
		fits: best.chiSquared <= chiSquaredLimit(11, 1000)
	};
}
