/* Thresholds of simulated listeners whose own are known: how far off, how honest the interval, how often tiredness is said. */
import { coverage, sittings, type Sitting } from '../src/drills/simulatedLearner';
import type { EarTask } from '../src/drills/threshold';

const TASK: EarTask = { guess: 1 / 3, smallest: 0.1, largest: 20, usual: 1.5 };
const COUNT = Number(process.argv[2] ?? 400);
const TRIALS = 60;

const offBy = (of: readonly Sitting[]) =>
	of.map(({ learner, search }) => Math.abs(search.threshold().size / learner.threshold - 1)).sort((a, b) => a - b);
const at = (values: readonly number[], share: number) =>
	values[Math.min(values.length - 1, Math.floor(share * values.length))];

const found = ([name, learner]: readonly [string, object]) => {
	const of = sittings(TASK, { count: COUNT, trials: TRIALS, seed: 41, learner });
	const off = offBy(of);
	return {
		name,
		median: at(off, 0.5),
		high: at(off, 0.9),
		covered: coverage(of),
		guessing: share(of, ({ search }) => search.isGuessing)
	};
};
const share = (of: readonly Sitting[], is: (each: Sitting) => boolean) => of.filter(is).length / of.length;

const learners = (
	[
		['slopes 0.8 to 3.5, lapses to 6 %', {}],
		['shallow: slope 1', { slope: 1 }],
		['shallow, lapses 6 %', { slope: 1, lapse: 0.06 }],
		['slope 2, no lapses', { slope: 2, lapse: 0 }],
		['steeper than the model: 6', { slope: 6 }],
		['shallower than the model: 0.6', { slope: 0.6 }],
		['lapses beyond the model: 15 %', { lapse: 0.15 }]
	] as const
).map(found);
const tired = (seed: number, options: object) =>
	share(sittings(TASK, { count: COUNT, trials: 80, seed, watched: true, ...options }), ({ isTired }) => isTired);
process.stdout.write(
	JSON.stringify({
		trials: TRIALS,
		count: COUNT,
		learners,
		steady: tired(51, {}),
		tiresTwice: tired(52, { tiresBy: 2 }),
		tiresThrice: tired(53, { tiresBy: 3 }),
		deaf: share(
			sittings(TASK, { count: COUNT, trials: 30, seed: 54, learner: { threshold: 1e9 } }),
			({ search }) => search.isGuessing
		)
	})
);
