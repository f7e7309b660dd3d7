import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { createRandom } from '../numeric/random';
import { typicalInharmonicity } from '../strings/inharmonicity';
import { partialHz, stringFromFirstPartial } from '../strings/stiffString';
import { centsBetween, equalHz } from '../units/pitch';
import { hz } from '../units/quantity';
import { handOf, PAIR_DRILL, parFor, USUAL_HAND } from './pairDrill';
import { isGuessed, sizeSense, stillness, type SetTrial } from './setTrials';
import { ASKED_SIZES, COUNTING, SETTING_APART, STILLNESS, tappedRate } from './settingDrills';
import { unisonRate } from './unisonTolerance';
import { movedBy } from '../strings/movedString';

const strings = (note: number) => stringFromFirstPartial(equalHz(note, hz(440)), typicalInharmonicity('upright', note));
const trial = (of: Partial<SetTrial>): SetTrial => ({ from: 0, asked: 0, set: 0, tries: 3, seconds: 20, ...of });

describe('sizes that were set', () => {
	it('have the lean and the precision that they were set with, within intervals that hold nine times of ten', () => {
		const random = createRandom(3);
		let [leans, precisions] = [0, 0];
		const RUNS = 400;
		for (let run = 0; run < RUNS; run++) {
			const moves = Array.from({ length: 12 }, () => {
				const asked = ASKED_SIZES[Math.floor(4 * random.uniform())];
				return { asked, set: asked * Math.exp(0.15 + 0.3 * random.normal()) };
			});
			const { lean, precision } = sizeSense(moves)!;
			if (lean.low <= 0.15 && 0.15 <= lean.high) leans++;
			if (precision.low <= 0.3 && 0.3 <= precision.high) precisions++;
		}
		// 400 runs scatter by 0.015.
		expect(leans / RUNS).toBeCloseTo(0.9, 1);
		expect(precisions / RUNS).toBeCloseTo(0.9, 1);
	});

	it('say nothing when they are few, or went the wrong way', () => {
		expect(sizeSense([{ asked: 1, set: 1 }])).toBeUndefined();
		expect(sizeSense(Array.from({ length: 6 }, () => ({ asked: 1, set: -1 })))).toBeUndefined();
	});
});

describe('what was brought together', () => {
	it('is as still as what is left', () => {
		const trials = [0.1, -0.3, 0.2, -0.2, 0.3].map((set) => trial({ from: 4, set }));
		const left = stillness(trials)!;
		expect(left.value).toBeCloseTo(Math.sqrt(0.27 / 5), 9);
		expect(left.low).toBeLessThan(left.value);
		expect(left.high).toBeGreaterThan(left.value);
	});

	it('is told from what was left where it stood, and a size from one that follows nothing', () => {
		const random = createRandom(8);
		const asks = Array.from({ length: 16 }, (_, i) => ASKED_SIZES[i % 4]);
		expect(isGuessed(asks.map(() => trial({ from: 5, set: 5 * random.normal() })))).toBe(true);
		expect(isGuessed(asks.map(() => trial({ from: 5, set: 0.3 * random.normal() })))).toBe(false);
		expect(isGuessed(asks.map((asked) => trial({ asked, set: Math.exp(0.5 * random.normal()) })))).toBe(true);
		expect(isGuessed(asks.map((asked) => trial({ asked, set: asked * Math.exp(0.5 * random.normal()) })))).toBe(false);
		expect(isGuessed(asks.map((asked) => trial({ asked, set: -asked })))).toBe(true);
		expect(isGuessed([])).toBe(false);
	});
});

describe('exercises', () => {
	it('lie in their register, and are what they say', () => {
		fc.assert(
			fc.property(fc.nat(1e6), fc.nat(3), (seed, at) => {
				const random = createRandom(seed);
				const register = STILLNESS.registers[at];
				const still = STILLNESS.exercise(strings, register, random);
				expect(Math.abs(still.from)).toBeGreaterThan(1.4);
				expect(still.note).toBeGreaterThanOrEqual(register.lowest);
				expect(ASKED_SIZES).toContain(SETTING_APART.exercise(strings, register, random).asked);
				const { rate, sound } = COUNTING.exercise(strings, COUNTING.registers[at % 2], random);
				const [low, high] = sound[0].voices;
				const [p, q] = at % 2 ? [5, 4] : [3, 2];
				expect(partialHz(high.string, q) - partialHz(low.string, p)).toBeCloseTo(rate, 9);
				const pair = PAIR_DRILL.exercise(strings, PAIR_DRILL.registers[at], random);
				expect(Math.abs(pair.from)).toBeGreaterThanOrEqual(1);
				if (!pair.octave) return;
				const [r, s] = pair.octave.name === '4:2' ? [4, 2] : [6, 3];
				const { reference } = pair.octave;
				expect(centsBetween(partialHz(reference.string, r), partialHz(pair.string, s))).toBeCloseTo(0, 9);
			})
		);
	});

	it('count taps by their slope: one that came late does not decide', () => {
		const taps = Array.from({ length: 9 }, (_, i) => 2 + i / 1.7);
		expect(tappedRate(taps)).toBeCloseTo(1.7, 9);
		expect(Math.abs(tappedRate(taps.map((at, i) => (i === 8 ? at + 0.15 : at)))! - 1.7)).toBeLessThan(0.05);
		expect([tappedRate([1, 2]), tappedRate([2, 2, 2])]).toEqual([undefined, undefined]);
	});
});

describe('unisons that a hand reaches', () => {
	it('beat as two strings do where they are heard, nine times of ten', () => {
		// A cent at 600 Hz is 0.347 beats a second.
		expect(unisonRate(1)).toBeCloseTo(1.6449 * 0.3466, 3);
		const random = createRandom(2);
		const rates = Array.from({ length: 4000 }, () => Math.abs(600 * (2 ** ((0.3 * random.normal()) / 1200) - 1)));
		expect(rates.filter((rate) => rate < unisonRate(0.3)).length / 4000).toBeCloseTo(0.9, 1);
	});
});

describe('the par of a move', () => {
	it('is one try where the hand is sure, and more the further it is and the rougher the hand', () => {
		const sure = { lean: 0, precision: 0.05, left: 0.1 };
		expect([1, 2, 3].map((off) => parFor(off, sure))).toEqual([1, 1, 1]);
		// Further than the pair is a ruler it goes in two moves.
		expect(parFor(6, sure)).toBe(2);
		const rough = { lean: 0.2, precision: 0.6, left: 0.4 };
		const pars = [1, 3, 6].map((off) => parFor(off, rough));
		expect(pars).toEqual([...pars].sort((a, b) => a - b));
		expect(pars[2]).toBeGreaterThan(parFor(6, sure));
		expect(parFor(-3, rough)).toBe(parFor(3, rough));
	});

	it('rests on what the learner has shown, and on the usual hand before', () => {
		expect(handOf([], [])).toEqual(USUAL_HAND);
		const moves = [2, 2.2, 1.8, 2.4, 1.7].map((set) => ({ asked: 2, set }));
		const hand = handOf(
			moves,
			Array.from({ length: 10 }, () => trial({ from: 4, set: 0.4 }))
		);
		expect(hand.precision).toBeLessThan(0.2);
		expect(hand.left).toBeCloseTo(0.4, 9);
	});

	it('agrees with a hand that is tried move by move on strings', () => {
		const string = strings(60);
		const random = createRandom(12);
		// One move of 3 cents by a hand of 10 %, the mate matched to 0.2: from partials, not from the model.
		let within = 0;
		for (let run = 0; run < 500; run++) {
			const lead = movedBy(string, -3 + 3 * Math.exp(0.1 * random.normal()));
			const mate = movedBy(lead, 0.2 * random.normal());
			const off =
				(centsBetween(partialHz(string, 1), partialHz(lead, 1)) +
					centsBetween(partialHz(string, 1), partialHz(mate, 1))) /
				2;
			if (Math.abs(off) <= 0.5) within++;
		}
		expect(within / 500 > 0.5).toBe(parFor(3, { lean: 0, precision: 0.1, left: 0.2 }) === 1);
	});
});
