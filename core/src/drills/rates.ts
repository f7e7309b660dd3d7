import { INTERVALS, type IntervalKind } from '../intervals/intervalKinds';
import type { Ear } from '../bearing/ear';
import { noteOf, oneOf, type ChoiceDrill, type DrillRegister } from './drill';
import { upperFor } from './strings';

/** Beats a second about which the two of a trial lie, and the interval that beats so. */
const ABOUT: Readonly<
	Record<string, { readonly rate: number; readonly kind: IntervalKind; readonly seconds: number }>
> = {
	quick: { rate: 7, kind: INTERVALS.majorThird, seconds: 2.2 },
	slow: { rate: 1, kind: INTERVALS.fifth, seconds: 4 }
};
/** The rate of a trial lies so far from that, as a share: what was heard before is no measure. */
const ROVES = 0.15;
/** Share of right answers of two at the threshold, as a deviate: (1 + 0.63) / 2 of a normal distribution. */
const DEVIATE = 0.9003;

const register = (id: string, name: string, lowest: number, usual: number): DrillRegister => ({
	...{ id, name, lowest, highest: lowest + 5 },
	task: { guess: 1 / 2, smallest: 0.01, largest: 1.5, usual }
});

/** Two intervals on the same lower note; one beats faster. Sizes are shares of the slower rate. */
export const RATES: ChoiceDrill = {
	id: 'rates',
	choices: 2,
	registers: [
		register('quick', 'Thirds, about 7 a second', 53, 0.15),
		register('slow', 'Fifths, about 1 a second', 53, 0.25)
	],
	trial(strings, { id, ...rest }, size, random) {
		const { rate, kind, seconds } = ABOUT[id];
		const note = noteOf({ id, ...rest }, random);
		const upper = note + kind.semitones;
		const about = rate * (1 + ROVES * (2 * random.uniform() - 1));
		const right = oneOf(2, random);
		const sound = (beats: number) => [
			{
				at: 0,
				seconds,
				voices: [
					{ note, string: strings(note) },
					{ note: upper, string: upperFor(strings(note), strings(upper).inharmonicity, kind, beats) }
				]
			}
		];
		const apart = Math.sqrt(1 + size);
		return { right, sounds: [0, 1].map((i) => sound(i === right ? about * apart : about / apart)) };
	}
};

/**
 * How well an ear judges beats, from its thresholds of two rates: of two that differ by log(1 + t) the faster one is told by the
 * difference of two judgements, whose scatter is the square root of 2 times that of one (Green and Swets 1966, ch. 3).
 * @param quick thresholds as shares @param bias stays as it was: telling two apart says nothing of counting
 */
export function earFromRates(quick: number, slow: number, bias: number): Ear {
	const scatter = (threshold: number) => Math.log1p(threshold) / (Math.SQRT2 * DEVIATE);
	return { share: scatter(quick), floor: ABOUT.slow.rate * scatter(slow), bias };
}
