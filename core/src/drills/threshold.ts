/*
 * The smallest difference that an ear tells, from answers to differences that are chosen so that each tells most: Bayesian
 * psychometric function with threshold, slope and lapses, the next difference by the least expected entropy (Kontsevich and Tyler
 * 1999, Vision Research 39, 2729), of the threshold alone, the others averaged over (Prins 2013, Journal of Vision 13(7):3).
 */

/** A kind of trial. */
export interface EarTask {
	/** Share of right answers of somebody who hears nothing: 1 over how many there are to choose from. */
	readonly guess: number;
	/** What may be played, in the unit of the drill (cents, beats per second). */
	readonly smallest: number;
	readonly largest: number;
	/** Where most thresholds lie. */
	readonly usual: number;
}

/** One answer. */
export interface Trial {
	readonly size: number;
	readonly isRight: boolean;
	/** What was played was flat or narrow (-1), sharp or wide (1); not given where neither could be answered. */
	readonly way?: -1 | 1;
}

/** What is known of a threshold: the difference that is heard 63 times of 100, guesses and lapses taken out. */
export interface Threshold {
	/** The best single figure: it has the least expected error as a share. */
	readonly size: number;
	/** It lies between these with the probability of `INTERVAL`. */
	readonly low: number;
	readonly high: number;
	readonly trials: number;
}

/** Probability of a threshold's stated interval. */
export const INTERVAL = 0.9;
/** The normal deviate at which both tails of such an interval begin. */
export const INTERVAL_DEVIATE = 1.6449;
/** Steps of sizes and thresholds, as a share. */
const STEP = 0.09;
/** Thresholds may lie so far beyond what is played. */
const BEYOND = 2;
/** Factor by which ears differ from the usual one, as a standard deviation of its logarithm. */
const PRIOR_SPREAD = Math.log(3);
/** Weibull slopes, from ears that are unsure over a wide range to those that hear it or do not. */
const SLOPES = [0.5, 0.7, 1, 1.4, 2, 2.8, 4] as const;
/** Shares of answers that are wrong whatever was played, and how likely each is. */
const LAPSES = [
	[0.005, 0.4],
	[0.02, 0.3],
	[0.05, 0.2],
	[0.1, 0.1]
] as const;
/** Hypotheses that share a threshold. */
const OTHERS = SLOPES.length * LAPSES.length;
/** Somebody who guesses answers so many times likelier than anybody who hears: it is said. */
const GUESSING_ODDS = 12;
/** Before so many answers nothing is said of guessing. */
const GUESSING_TRIALS = 20;
/** An ear that tires hears only what is so many times larger. */
const TIRED_BY = 2;
/** It may have begun after any so many answers, from the first such moment on, and is told by as many at least. */
export const TIRING_EACH = 5;
const TIRING_FROM = 20;
const TIRING_LEAST = 10;
/** How many times likelier that must have become. */
const TIRED_ODDS = 50;

/** @returns share of right answers: Weibull's function; at the threshold 63 of 100 are heard, guesses and lapses taken out */
export function rightShare(guess: number, threshold: number, slope: number, lapse: number, size: number): number {
	return guess + (1 - guess - lapse) * (1 - Math.exp(-((size / threshold) ** slope)));
}

const entropy = (weights: Float64Array, total: number) => {
	let sum = 0;
	for (const weight of weights) if (weight > 0) sum -= (weight / total) * Math.log(weight / total);
	return sum;
};

/** What may be played and what may be so, laid out once for each task. */
interface Layout {
	readonly sizes: readonly number[];
	readonly thresholds: readonly number[];
	/** Share of right answers by size, then by threshold, slope and lapse. */
	readonly shares: Float64Array;
	/** How likely each is before anything was answered. */
	readonly prior: Float64Array;
}

function layOut({ smallest, largest, guess, usual }: EarTask): Layout {
	const steps = (from: number, to: number) => {
		const count = Math.ceil(Math.log(to / from) / Math.log1p(STEP));
		return Array.from({ length: count + 1 }, (_, i) => from * (to / from) ** (i / count));
	};
	const sizes = steps(smallest, largest);
	const thresholds = steps(smallest / BEYOND, largest * BEYOND);
	const count = thresholds.length * OTHERS;
	const shares = new Float64Array(sizes.length * count);
	const prior = new Float64Array(count);
	let h = 0;
	for (const threshold of thresholds) {
		const near = Math.exp(-0.5 * (Math.log(threshold / usual) / PRIOR_SPREAD) ** 2);
		for (const slope of SLOPES)
			for (const [lapse, share] of LAPSES) {
				prior[h] = near * share;
				for (let s = 0; s < sizes.length; s++)
					shares[s * count + h] = rightShare(guess, threshold, slope, lapse, sizes[s]);
				h++;
			}
	}
	const sum = prior.reduce((total, weight) => total + weight, 0);
	return { sizes, thresholds, shares, prior: prior.map((weight) => weight / sum) };
}

const layouts = new Map<string, Layout>();
function layoutOf({ smallest, largest, guess, usual }: EarTask): Layout {
	const key = [smallest, largest, guess, usual].join(' ');
	const known = layouts.get(key) ?? layOut({ smallest, largest, guess, usual });
	layouts.set(key, known);
	return known;
}

/** A search for one ear's threshold: what was answered goes in, the next size comes out. */
export class ThresholdSearch {
	/** Sizes that may be played, from the smallest. */
	readonly sizes: readonly number[];
	readonly trials: Trial[] = [];
	private readonly thresholds: readonly number[];
	private readonly shares: Float64Array;
	private readonly weights: Float64Array;
	private logEvidence = 0;
	/** What was believed before some of the answers. */
	private readonly believed: { readonly after: number; readonly weights: Float64Array }[] = [];

	/** @throws RangeError when the task has no sizes */
	constructor(
		readonly task: EarTask,
		earlier: readonly Trial[] = []
	) {
		if (!(task.smallest > 0 && task.largest > task.smallest)) throw new RangeError('ThresholdSearch: no sizes to play');
		const { sizes, thresholds, shares, prior } = layoutOf(task);
		this.sizes = sizes;
		this.thresholds = thresholds;
		this.shares = shares;
		this.weights = prior.slice();
		for (const trial of earlier) this.answer(trial);
	}

	private scale(): number {
		const sum = this.weights.reduce((total, weight) => total + weight, 0);
		for (let h = 0; h < this.weights.length; h++) this.weights[h] /= sum;
		return sum;
	}

	private indexOf(size: number): number {
		const { smallest, largest } = this.task;
		const at = (Math.log(size / smallest) / Math.log(largest / smallest)) * (this.sizes.length - 1);
		return Math.min(this.sizes.length - 1, Math.max(0, Math.round(at)));
	}

	/** Takes an answer in; its size counts as the nearest one that may be played. */
	answer(trial: Trial): void {
		const from = this.indexOf(trial.size) * this.weights.length;
		for (let h = 0; h < this.weights.length; h++) {
			const share = this.shares[from + h];
			this.weights[h] *= trial.isRight ? share : 1 - share;
		}
		this.logEvidence += Math.log(this.scale());
		this.trials.push(trial);
		const after = this.trials.length;
		if (after >= TIRING_FROM && after % TIRING_EACH === 0) this.believed.push({ after, weights: this.weights.slice() });
	}

	/** Whether the newest answers speak for a threshold that has risen: the ear tires. A sitting that began badly is none that tires. */
	get isTired(): boolean {
		return this.believed.some(
			({ after, weights }) =>
				this.trials.length - after >= TIRING_LEAST && this.oddsOfTiring(after, weights) > TIRED_ODDS
		);
	}

	/** How many times likelier the answers since then are if the threshold had risen then. */
	private oddsOfTiring(since: number, weights: Float64Array): number {
		const step = Math.log(this.thresholds[1] / this.thresholds[0]);
		const shift = Math.round(Math.log(TIRED_BY) / step) * OTHERS;
		let [tired, steady] = [0, 0];
		const told = this.trials
			.slice(since)
			.map(({ size, isRight }) => ({ from: this.indexOf(size) * weights.length, isRight }));
		for (let h = 0; h < weights.length; h++) {
			// Beyond the last threshold nothing more is lost.
			const risen = h + shift < weights.length ? h + shift : weights.length - OTHERS + (h % OTHERS);
			let [of, ofRisen] = [weights[h], weights[h]];
			for (const { from, isRight } of told) {
				const [share, shareRisen] = [this.shares[from + h], this.shares[from + risen]];
				of *= isRight ? share : 1 - share;
				ofRisen *= isRight ? shareRisen : 1 - shareRisen;
			}
			steady += of;
			tired += ofRisen;
		}
		return tired / steady;
	}

	/** Weights of the thresholds, all else averaged over. */
	private marginal(): Float64Array {
		const of = new Float64Array(this.thresholds.length);
		for (let h = 0; h < this.weights.length; h++) of[Math.floor(h / OTHERS)] += this.weights[h];
		return of;
	}

	/** The size of which an answer is expected to tell most of the threshold. */
	next(): number {
		const { weights } = this;
		const right = new Float64Array(this.thresholds.length);
		const wrong = new Float64Array(this.thresholds.length);
		let [best, least] = [0, Infinity];
		for (let s = 0; s < this.sizes.length; s++) {
			const from = s * weights.length;
			let share = 0;
			for (let t = 0, h = 0; t < right.length; t++) {
				let [yes, all] = [0, 0];
				for (const end = h + OTHERS; h < end; h++) {
					yes += weights[h] * this.shares[from + h];
					all += weights[h];
				}
				right[t] = yes;
				wrong[t] = all - yes;
				share += yes;
			}
			const expected = share * entropy(right, share) + (1 - share) * entropy(wrong, 1 - share);
			if (expected < least) [best, least] = [s, expected];
		}
		return this.sizes[best];
	}

	threshold(): Threshold {
		const marginal = this.marginal();
		const tail = (1 - INTERVAL) / 2;
		return {
			// The least expected error as a share of the threshold: what lies high counts less.
			size: this.quantile(
				marginal.map((weight, t) => weight / this.thresholds[t]),
				0.5
			),
			low: this.quantile(marginal, tail),
			high: this.quantile(marginal, 1 - tail),
			trials: this.trials.length
		};
	}

	/** The threshold below which lies that share of the weights. */
	private quantile(weights: Float64Array, share: number): number {
		const sought = share * weights.reduce((sum, weight) => sum + weight, 0);
		let below = 0;
		for (let t = 0; t < weights.length; t++) {
			const next = below + weights[t];
			if (next >= sought) {
				// A grid point stands for half a step on either side.
				const step = this.thresholds[1] / this.thresholds[0];
				return this.thresholds[t] * step ** ((sought - below) / weights[t] - 0.5);
			}
			below = next;
		}
		return this.thresholds[weights.length - 1];
	}

	/** Whether these are the answers of somebody who only guesses: no threshold is to be kept. */
	get isGuessing(): boolean {
		const { guess } = this.task;
		if (this.trials.length < GUESSING_TRIALS) return false;
		const right = this.trials.filter(({ isRight }) => isRight).length;
		const guessed = right * Math.log(guess) + (this.trials.length - right) * Math.log(1 - guess);
		return guessed - this.logEvidence > Math.log(GUESSING_ODDS);
	}
}
