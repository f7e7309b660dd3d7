import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { rightShare, ThresholdSearch, type EarTask } from './threshold';
import { coverage, sittings, type Learner } from './simulatedLearner';

/** Which of three unisons is not clean, in cents. */
const TASK: EarTask = { guess: 1 / 3, smallest: 0.1, largest: 20, usual: 1.5 };

describe('the share of right answers', () => {
	it('lies between guessing and lapses, 63 of 100 at the threshold, whatever the slope', () => {
		for (const slope of [0.7, 1, 2, 4])
			expect(rightShare(1 / 3, 1.5, slope, 0.04, 1.5)).toBeCloseTo(1 / 3 + (1 - 1 / 3 - 0.04) * 0.63212056, 8);
		expect(rightShare(0.5, 1, 2, 0, 1e-9)).toBeCloseTo(0.5, 9);
		expect(rightShare(0.5, 1, 2, 0.02, 1e9)).toBeCloseTo(0.98, 12);
	});
});

describe('the search for a threshold', () => {
	it('keeps its answers as they came, whatever they were, and asks only for what may be played', () => {
		fc.assert(
			fc.property(fc.array(fc.boolean(), { minLength: 1, maxLength: 12 }), (answers) => {
				const search = new ThresholdSearch(TASK);
				for (const isRight of answers) {
					const size = search.next();
					expect(search.sizes).toContain(size);
					search.answer({ size, isRight });
				}
				const again = new ThresholdSearch(TASK, search.trials);
				expect(again.threshold()).toEqual(search.threshold());
				const { size, low, high, trials } = again.threshold();
				expect([trials, low < size, size < high]).toEqual([answers.length, true, true]);
			}),
			{ numRuns: 10 }
		);
	});

	it('is one with brute force over every hypothesis', () => {
		const search = new ThresholdSearch(TASK);
		const trials = [true, true, false, true, false, false, true].map((isRight) => {
			const trial = { size: search.next(), isRight };
			search.answer(trial);
			return trial;
		});
		// The same posterior by another way: a fine grid, in logarithms, without tables.
		const posterior: { readonly threshold: number; readonly weight: number }[] = [];
		const slopes = [0.5, 0.7, 1, 1.4, 2, 2.8, 4];
		const lapses = [
			[0.005, 0.4],
			[0.02, 0.3],
			[0.05, 0.2],
			[0.1, 0.1]
		];
		for (let log = Math.log(0.05); log <= Math.log(40); log += 0.01) {
			let weight = 0;
			for (const slope of slopes)
				for (const [lapse, share] of lapses) {
					const p = (size: number) => rightShare(1 / 3, Math.exp(log), slope, lapse, size);
					const likely = trials.reduce((all, { size, isRight }) => all * (isRight ? p(size) : 1 - p(size)), share);
					weight += likely * Math.exp(-0.5 * ((log - Math.log(1.5)) / Math.log(3)) ** 2);
				}
			posterior.push({ threshold: Math.exp(log), weight });
		}
		const expectedError = (size: number) =>
			posterior.reduce((all, { threshold, weight }) => all + weight * Math.abs(size / threshold - 1), 0);
		const found = search.threshold();
		// No other figure is expected to err less: a grid of 9 % places it within 2 %.
		for (const factor of [0.9, 0.95, 1.05, 1.1])
			expect(expectedError(found.size)).toBeLessThan(expectedError(found.size * factor));
		const all = posterior.reduce((sum, { weight }) => sum + weight, 0);
		const below = (size: number) =>
			posterior.reduce((sum, { threshold, weight }) => sum + (threshold < size ? weight : 0), 0) / all;
		expect(below(found.low)).toBeCloseTo(0.05, 1);
		expect(below(found.high)).toBeCloseTo(0.95, 1);
	});

	it('finds thresholds of ears of all kinds in sixty answers', () => {
		// The long form, with its aims, is npm run bench -- ear.
		const found = sittings(TASK, { count: 60, trials: 60, seed: 5 });
		const off = found
			.map(({ learner, search }) => Math.abs(search.threshold().size / learner.threshold - 1))
			.sort((a, b) => a - b);
		expect(off[30]).toBeLessThan(0.25);
		expect(off[54]).toBeLessThan(0.6);
		expect(coverage(found)).toBeGreaterThan(0.8);
	});

	it('says that somebody guesses, and of those who hear that they do not', () => {
		const deaf: Partial<Learner> = { threshold: Infinity };
		const guessing = sittings(TASK, { count: 30, trials: 30, seed: 8, learner: deaf });
		expect(guessing.filter(({ search }) => search.isGuessing).length).toBeGreaterThan(24);
		const hearing = sittings(TASK, { count: 30, trials: 30, seed: 9 });
		expect(hearing.filter(({ search }) => search.isGuessing).length).toBeLessThanOrEqual(1);
	});

	it('says when an ear tires, and seldom of one that does not', () => {
		// Eighty answers tell little of an ear that tires slowly; how often each is said stands in the figures.
		const tired = (tiresBy: number) =>
			sittings(TASK, { count: 30, trials: 80, seed: 12, tiresBy, watched: true }).filter(({ isTired }) => isTired)
				.length;
		expect(tired(1)).toBeLessThanOrEqual(2);
		expect(tired(5)).toBeGreaterThan(4);
	});

	it('refuses a task without sizes', () => {
		expect(() => new ThresholdSearch({ ...TASK, smallest: 0 })).toThrow(RangeError);
		expect(() => new ThresholdSearch({ ...TASK, largest: 0.1 })).toThrow(RangeError);
	});
});
