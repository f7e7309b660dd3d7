import { createRandom } from '../numeric/random';
import { rightShare, ThresholdSearch, TIRING_EACH, type EarTask } from './threshold';

/** An ear whose threshold is known, to try a drill on. */
export interface Learner {
	readonly threshold: number;
	readonly slope: number;
	readonly lapse: number;
}

export interface Sitting {
	readonly learner: Learner;
	readonly search: ThresholdSearch;
	/** Whether it was said at any moment that the ear tires. */
	readonly isTired: boolean;
}

interface Sittings {
	readonly count: number;
	readonly trials: number;
	readonly seed: number;
	/** What all of them have; the rest is drawn: thresholds, slopes between those of the model too, lapses up to 6 %. */
	readonly learner?: Partial<Learner>;
	/** Their threshold rises by this factor over the second half. */
	readonly tiresBy?: number;
	/** It is asked all the while whether they tire. */
	readonly watched?: boolean;
}

/** Sittings of simulated learners, one after the other. */
export function sittings(
	task: EarTask,
	{ count, trials, seed, learner = {}, tiresBy = 1, watched = false }: Sittings
): Sitting[] {
	const random = createRandom(seed);
	return Array.from({ length: count }, () => {
		const drawn: Learner = {
			threshold: task.usual * Math.exp(Math.log(2) * random.normal()),
			slope: Math.exp(Math.log(0.8) + random.uniform() * Math.log(3.5 / 0.8)),
			lapse: 0.06 * random.uniform(),
			...learner
		};
		const search = new ThresholdSearch(task);
		let isTired = false;
		for (let i = 0; i < trials; i++) {
			const size = search.next();
			const tired = tiresBy ** Math.max(0, (2 * i) / trials - 1);
			const share = rightShare(task.guess, drawn.threshold * tired, drawn.slope, drawn.lapse, size);
			search.answer({ size, isRight: random.uniform() < share });
			if (watched && i % TIRING_EACH === 0) isTired ||= search.isTired;
		}
		return { learner: drawn, search, isTired };
	});
}

/** Share of sittings whose stated interval holds the threshold. */
export function coverage(of: readonly Sitting[]): number {
	const held = of.filter(({ learner, search }) => {
		const { low, high } = search.threshold();
		return low <= learner.threshold && learner.threshold <= high;
	});
	return held.length / of.length;
}
