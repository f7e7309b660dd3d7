import type { Threshold } from '@fendrel/core';

/** What a drill is called, asks, and why it is worth the time. */
export interface DrillWords {
	readonly title: string;
	readonly asks: string;
	/** What it was, when the answer is told. */
	readonly was: (size: string) => string;
	readonly why: string;
	/** A size in the drill's own unit, and its bare figure. */
	readonly size: (size: number) => string;
	readonly figure: (size: number) => string;
	/** What a threshold of that size means at work. */
	readonly means: (of: Threshold) => string;
	/** The axis of its pictures. */
	readonly unit: string;
}

const cents = (size: number) => (size < 0.995 ? size.toFixed(2) : size.toFixed(1));
const percent = (size: number) => (100 * size).toFixed(size < 0.0995 ? 1 : 0);
const inCents = (size: number) => `${cents(size)} cents`;
const inPercent = (size: number) => `${percent(size)} %`;

export const DRILL_WORDS: Readonly<Record<string, DrillWords>> = {
	sizes: {
		title: 'Sizes',
		asks: 'Which of the three is not clean?',
		was: (size) => `${size} apart`,
		why: 'Clean unisons decide more than anything else. Half a cent at A4 beats once in eight seconds at the first partial, and once in two at the fourth: listen there, for movement, not for colour.',
		size: inCents,
		figure: cents,
		means: ({ size }) => `Two strings ${inCents(size)} apart are heard, more often than not.`,
		unit: 'cents'
	},
	octaves: {
		title: 'Octaves',
		asks: 'Which of the three is not pure?',
		was: (size) => `${size} off`,
		why: 'A pure octave stands still where its two strings meet: in the bass at the sixth partial of the lower note, in the middle at the fourth, in the treble at the second.',
		size: inCents,
		figure: cents,
		means: ({ size }) => `An octave ${inCents(size)} off is heard, more often than not.`,
		unit: 'cents'
	},
	rates: {
		title: 'Faster or slower',
		asks: 'Which of the two beats faster?',
		was: (size) => `${size} faster`,
		why: 'A bearing plan is set by rates. How finely you tell two of them apart decides what twelve steps add up to.',
		size: inPercent,
		figure: percent,
		means: ({ size }) => `A rate that is ${inPercent(size)} faster is heard as faster, more often than not.`,
		unit: '% faster'
	}
};

/** So many answers make a threshold that one can rest on. */
export const ENOUGH = 60;

export function thresholdWords({ low, high, trials }: Threshold, { size, figure }: DrillWords): string {
	const between = `between ${figure(low)} and ${size(high)}, nine times of ten`;
	return trials >= ENOUGH ? between : `${between}; ${ENOUGH - trials} more answers make it firm`;
}
