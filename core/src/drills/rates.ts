import { INTERVALS, type IntervalKind } from '../intervals/intervalKinds';
import type { Ear } from '../bearing/ear';
import { PURE_TONE } from '../sounding/strike';
import { noteOf, oneOf, type ChoiceDrill, type ChoiceRegister } from './drill';
import { chord, upperFor } from './strings';

/** The rate of a trial lies so far from the usual one, as a share: what was heard before is no measure. */
const ROVES = 0.15;
/** Share of right answers of two at the threshold, as a deviate: (1 + 0.63) / 2 of a normal distribution. */
const DEVIATE = 0.9003;
const SLOW = 1;

/** An interval on a lower note that beats at a rate. */
interface Beating {
	readonly upper: number;
	readonly lowerPartial: number;
	readonly upperPartial: number;
	/** A fork, or a tone like one, in place of the upper string. */
	readonly isTone: boolean;
}

/** The two intervals of a trial, the rate about which they beat, and how long they are heard. */
interface Compared {
	readonly rate: number;
	readonly seconds: number;
	readonly intervals: readonly [Beating, Beating];
}

const beating = ({ semitones, lowerPartial, upperPartial }: IntervalKind, isTone = false): Beating => ({
	...{ upper: semitones, lowerPartial, upperPartial, isTone }
});
const { majorThird, fifth, tenth, seventeenth } = INTERVALS;
const COMPARED: Readonly<Record<string, Compared>> = {
	quick: { rate: 7, seconds: 2.2, intervals: [beating(majorThird), beating(majorThird)] },
	slow: { rate: SLOW, seconds: 4, intervals: [beating(fifth), beating(fifth)] },
	test: { rate: 7, seconds: 2.2, intervals: [beating(majorThird), beating(tenth)] },
	fork: { rate: 4, seconds: 2.6, intervals: [beating(seventeenth, true), beating(seventeenth)] }
};

const register = (id: string, name: string, usual: number, lowest = 53, highest = 58): ChoiceRegister => ({
	...{ id, name, lowest, highest, task: { guess: 1 / 2, smallest: 0.01, largest: 1.5, usual } }
});

/** Two intervals on the same lower note; one beats faster. Sizes are shares of the slower rate. */
export const RATES: ChoiceDrill = {
	...{ kind: 'choice', id: 'rates', reach: { below: 0, above: 28 } },
	registers: [
		register('quick', 'Thirds, about 7 a second', 0.15),
		register('slow', 'Fifths, about 1 a second', 0.25),
		register('test', 'Third against tenth', 0.2),
		register('fork', 'F2 with the fork, F2 with A4', 0.2, 41, 41)
	],
	trial(strings, register, size, random) {
		const { rate, seconds, intervals } = COMPARED[register.id];
		const note = noteOf(register, random);
		const about = rate * (1 + ROVES * (2 * random.uniform() - 1));
		const right = oneOf(2, random);
		const apart = Math.sqrt(1 + size);
		const lower = strings(note);
		const sounds = intervals.map(({ upper, isTone, ...kind }, i) => {
			const beats = i === right ? about * apart : about / apart;
			const string = upperFor(lower, isTone ? 0 : strings(note + upper).inharmonicity, kind, beats);
			const voice = { note: note + upper, string, ...(isTone && { partials: PURE_TONE }) };
			return [chord(seconds, { note, string: lower }, voice)];
		});
		return { right, sounds };
	}
};

/**
 * How well an ear judges beats, from its thresholds of two rates: of two that differ by log(1 + t) the faster one is told by the
 * difference of two judgements, whose scatter is the square root of 2 times that of one (Green and Swets 1966, ch. 3).
 * @param quick thresholds as shares @param bias stays as it was: telling two apart says nothing of counting
 */
export function earFromRates(quick: number, slow: number, bias: number): Ear {
	const scatter = (threshold: number) => Math.log1p(threshold) / (Math.SQRT2 * DEVIATE);
	return { share: scatter(quick), floor: SLOW * scatter(slow), bias };
}
