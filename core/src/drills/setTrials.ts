import { deviation, mean, sum } from 'd3-array';
import { INTERVAL_DEVIATE } from './threshold';

/** One thing that was set, counted or kept by ear. */
export interface SetTrial {
	/** Where it stood at first. */
	readonly from: number;
	/** What it was to be: cents, or beats a second. */
	readonly asked: number;
	/** What it came to. */
	readonly set: number;
	/** Strikes, or tries, that it took. */
	readonly tries: number;
	readonly seconds: number;
	/** The note, where an exercise has several. */
	readonly note?: number;
	/** The sense of the lever's last turn: down or up. */
	readonly last?: -1 | 1;
	/** Moves within it, where there were several: what was asked of each and what it reached. */
	readonly moves?: readonly Move[];
}

export interface Move {
	readonly asked: number;
	readonly set: number;
}

/** A figure, and between what it lies with the probability of `INTERVAL`. */
export interface Estimate {
	readonly value: number;
	readonly low: number;
	readonly high: number;
}

/** How sizes come out: ln(set / asked), its mean and its standard deviation. */
export interface SizeSense {
	/** Above 0: what is set is larger than what was asked. */
	readonly lean: Estimate;
	readonly precision: Estimate;
}

/** Fewer say nothing of a spread. */
const LEAST = 4;
/** What was set goes less than so far with what was asked: it was guessed. */
const FOLLOWS = 0.25;
const GUESSES_FROM = 8;
/** What is left is no less than so much of what there was: nothing was brought together. */
const LEFT = 0.8;

/** Quantile of chi squared (Wilson and Hilferty 1931, eq. 1). */
const chiSquared = (freedom: number, deviate: number) =>
	freedom * (1 - 2 / (9 * freedom) + deviate * Math.sqrt(2 / (9 * freedom))) ** 3;
/** Quantile of Student's t (Fisher and Cornish 1960, two terms). */
const studentT = (freedom: number, z: number) =>
	z + (z ** 3 + z) / (4 * freedom) + (5 * z ** 5 + 16 * z ** 3 + 3 * z) / (96 * freedom ** 2);

/** A standard deviation with its interval, from a sum of squares. */
function spread(squares: number, freedom: number): Estimate {
	return {
		value: Math.sqrt(squares / freedom),
		low: Math.sqrt(squares / chiSquared(freedom, INTERVAL_DEVIATE)),
		high: Math.sqrt(squares / Math.max(1e-9, chiSquared(freedom, -INTERVAL_DEVIATE)))
	};
}

/** Moves of which sizes can be said: something was asked, and something came of it in the same sense. */
const logs = (moves: readonly Move[]) =>
	moves.filter(({ asked, set }) => asked * set > 0).map(({ asked, set }) => Math.log(set / asked));

/** How well asked sizes are set or counted. @returns undefined where there are too few of them */
export function sizeSense(moves: readonly Move[]): SizeSense | undefined {
	const all = logs(moves);
	if (all.length < LEAST) return undefined;
	const middle = mean(all)!;
	const freedom = all.length - 1;
	const precision = spread(
		sum(all, (value) => (value - middle) ** 2),
		freedom
	);
	const reach = (studentT(freedom, INTERVAL_DEVIATE) * precision.value) / Math.sqrt(all.length);
	return { lean: { value: middle, low: middle - reach, high: middle + reach }, precision };
}

/** Root mean square of what is left where nothing was to be left, in cents. @returns undefined where there are too few */
export function stillness(trials: readonly SetTrial[]): Estimate | undefined {
	if (trials.length < LEAST) return undefined;
	const squares = sum(trials, ({ set, asked }) => (set - asked) ** 2);
	return spread(squares, trials.length);
}

/** Whether what was set says that nothing was heard. */
export function isGuessed(trials: readonly SetTrial[]): boolean {
	const sized = trials.filter(({ asked }) => asked !== 0);
	const still = trials.filter(({ asked }) => asked === 0);
	if (still.length >= GUESSES_FROM) {
		const before = sum(still, ({ from }) => from * from);
		return sum(still, ({ set }) => set * set) > LEFT * LEFT * before;
	}
	if (sized.length < GUESSES_FROM) return false;
	const pairs = sized
		.filter(({ asked, set }) => asked * set > 0)
		.map(({ asked, set }) => [Math.log(Math.abs(asked)), Math.log(Math.abs(set))] as const);
	// Most of them in the wrong sense, or not at all.
	if (pairs.length < sized.length / 2) return true;
	if (!deviation(pairs, ([asked]) => asked)) return false;
	const [x, y] = [mean(pairs, ([asked]) => asked)!, mean(pairs, ([, set]) => set)!];
	const slope = sum(pairs, ([asked, set]) => (asked - x) * (set - y)) / sum(pairs, ([asked]) => (asked - x) ** 2);
	return slope < FOLLOWS;
}
