import { noteName, type Estimate, type PlayedTrial, type Threshold } from '@fendrel/core';
import { fixed } from '$lib/ui/format';

/** What a drill is called, what its figures mean, and why it is worth the time. */
export interface DrillWords {
	readonly title: string;
	readonly why: string;
	/** A figure of the drill in its own unit, and bare. */
	readonly size: (size: number) => string;
	readonly figure: (size: number) => string;
	/** What a figure of that size means at work. */
	readonly means: (of: Pick<Threshold, 'size'>) => string;
	/** The axis of its pictures. */
	readonly unit: string;
	/** Which way a learner leans; undefined: nothing to be said. */
	readonly leans?: (lean: Estimate) => string;
}
export interface ChoiceWords extends DrillWords {
	readonly asks: string;
	/** What the right answer was. @param answer its name or number */
	readonly was: (answer: string, size: string, trial: Pick<PlayedTrial, 'moved'>) => string;
}

const cents = (size: number) => (size < 0.995 ? fixed(size, 2) : fixed(size, 1));
const percent = (size: number) => fixed(100 * size, size < 0.0995 ? 1 : 0);
const inCents = (size: number) => `${cents(size)} cents`;
const inPercent = (size: number) => `${percent(size)} %`;
const IN_CENTS = { size: inCents, figure: cents, unit: 'cents' } as const;
const IN_PERCENT = { size: inPercent, figure: percent, unit: '%' } as const;

/** A lean is said where it cannot be none. */
const leaning =
	(above: string, below: string, as: (size: number) => string) =>
	({ value, low, high }: Estimate) =>
		low > 0
			? `${as(Math.abs(value))} ${above}.`
			: high < 0
				? `${as(Math.abs(value))} ${below}.`
				: 'You lean neither way.';
const leansBySize = ({ value, low, high }: Estimate) => {
	if (low <= 0 && high >= 0) return 'You lean neither way.';
	const by = inPercent(Math.abs(Math.expm1(value)));
	return value > 0 ? `On the whole ${by} too much.` : `On the whole ${by} too little.`;
};

export const CHOICE_WORDS: Readonly<Record<string, ChoiceWords>> = {
	sizes: {
		title: 'Sizes',
		asks: 'Which of the three is not clean?',
		was: (answer, size) => `${answer} was ${size} apart`,
		why: 'Clean unisons decide more than anything else. Half a cent at A4 beats once in eight seconds at the first partial, and once in two at the fourth: listen there, for movement, not for colour.',
		...IN_CENTS,
		means: ({ size }) => `Two strings ${inCents(size)} apart are heard, more often than not.`
	},
	partials: {
		title: 'Partials',
		asks: 'In which of the three does the partial stand out?',
		was: (answer, size) => `in ${answer} it was ${size} louder`,
		why: 'Beats are heard at one partial, not in the whole. Hear it alone, then find it again; on the instrument, hold its key silently, strike the note short, and the partial is what rings on.',
		size: (size) => `${fixed(size, 1)} dB`,
		figure: (size) => fixed(size, 1),
		unit: 'dB',
		means: ({ size }) => `A partial ${fixed(size, 1)} dB louder is found, more often than not.`
	},
	octaves: {
		title: 'Octaves',
		asks: 'Which of the three is not pure?',
		was: (answer, size) => `${answer} was ${size} off`,
		why: 'A pure octave stands still where its two strings meet: in the bass at the sixth partial of the lower note, in the middle at the fourth, in the treble at the second.',
		...IN_CENTS,
		means: ({ size }) => `An octave ${inCents(size)} off is heard, more often than not.`
	},
	wide: {
		title: 'Wide or narrow',
		asks: 'The octave, then its test: is it wide or narrow?',
		was: (answer, size) => `${answer.toLowerCase()}, by ${size}`,
		why: 'An octave alone does not say which way it is off. Its test pair does: where the outer interval beats faster than the inner one, the octave is wide.',
		...IN_CENTS,
		means: ({ size }) => `The sense of an octave ${inCents(size)} off is told, more often than not.`,
		leans: leaning('narrow seems pure to you', 'wide seems pure to you', inCents)
	},
	rates: {
		title: 'Faster or slower',
		asks: 'Which of the two beats faster?',
		was: (answer, size) => `${answer} was ${size} faster`,
		why: 'A bearing plan is set by rates, and an octave or a fork by two that must be alike. How finely you tell two of them apart decides what twelve steps add up to.',
		...IN_PERCENT,
		unit: '% faster',
		means: ({ size }) => `A rate that is ${inPercent(size)} faster is heard as faster, more often than not.`
	},
	staircase: {
		title: 'Staircase',
		asks: 'Thirds that rise: which one is out?',
		was: (answer, size, { moved }) =>
			`${answer}: ${noteName(moved!.note)} stood ${size} ${moved!.way > 0 ? 'sharp' : 'flat'}`,
		why: 'Each third beats a little faster than the one below. The step that does not tells which note to move, long before a meter would.',
		...IN_CENTS,
		means: ({ size }) => `A note ${inCents(size)} off in a row of thirds is found, more often than not.`
	},
	direction: {
		title: 'Direction',
		asks: 'The second one: flat or sharp?',
		was: (answer, size) => `${answer.toLowerCase()}, by ${size}`,
		why: 'Where nothing beats yet, only direction tells which way to turn. Most ears lean one way, higher up more than in the middle: know which way yours does.',
		...IN_CENTS,
		means: ({ size }) => `The direction of ${inCents(size)} is told, more often than not.`,
		leans: leaning('flat seems in tune to you', 'sharp seems in tune to you', inCents)
	},
	commas: {
		title: 'Commas',
		asks: 'Which chain of thirds does not come round?',
		was: (answer, size) => `${answer} missed its octave by ${size}`,
		why: 'Three pure major thirds fall 41.06 cents short of an octave, four pure minor thirds exceed it by 62.57. Whoever has heard the gap knows why every third is tempered.',
		...IN_CENTS,
		means: ({ size }) => `A chain that misses its octave by ${inCents(size)} is heard, more often than not.`
	}
};

export const DRILL_WORDS: Readonly<Record<string, DrillWords>> = {
	...CHOICE_WORDS,
	stillness: {
		title: 'Stillness',
		why: 'Turn until the movement stops, at every partial that you hear. A sound that changes its colour need not move: listen through it.',
		...IN_CENTS,
		means: ({ size }) => `Typically you leave two strings ${inCents(size)} apart.`
	},
	apart: {
		title: 'Sizes, set',
		why: 'Half a cent, one, two, five: by the beat alone. Whoever can set a size can move a string by it and need not be told how far it went.',
		...IN_PERCENT,
		means: ({ size }) => `What you set scatters by ${inPercent(size)} about what was asked.`,
		leans: leansBySize
	},
	pair: {
		title: 'Pair method',
		why: 'A clean pair is its own ruler: move one string by what is needed, hear how far in its beat, bring the other one to it, and only then measure. It works where a meter cannot follow.',
		...IN_CENTS,
		means: ({ size }) => `Typically you leave a pair ${inCents(size)} off.`
	},
	counting: {
		title: 'Counting',
		why: 'Tap each beat. A count that leans one way bends every interval that is set by it, and the bearing plan with it.',
		...IN_PERCENT,
		means: ({ size }) => `Your counts scatter by ${inPercent(size)}.`,
		leans: leansBySize
	},
	holding: {
		title: 'Holding',
		why: 'What does not stay was not tuned. Turn past and back, strike firmly, and leave pin and string at rest with each other: what moved under half a cent after ten minutes has held.',
		size: inPercent,
		figure: percent,
		unit: '% held',
		means: ({ size }) => `${inPercent(size)} of your strings moved less than half a cent.`
	},
	bearings: {
		title: 'Bearings',
		why: 'A whole temperament on the twin, as for an examiner: step by step, then note by note with the mean taken out, then by its intervals, and back to the first step that went wrong.',
		...IN_CENTS,
		means: ({ size }) => `Typically a note of yours stands ${inCents(size)} off.`
	},
	examination: {
		title: 'Examination',
		why: 'Pitch, temperament, bass, middle, treble, unisons, and whether it holds: set on the twin, then read as an examiner reads it, by the limits in Settings.',
		...IN_CENTS,
		means: ({ size }) => `Typically what you set stands ${inCents(size)} off.`
	}
};

/** So many answers make a threshold that one can rest on. */
export const ENOUGH = 60;

/** Between what a figure lies. @param enough so many answers make it firm */
export function thresholdWords(
	{ low, high, trials }: Threshold,
	{ size, figure }: Pick<DrillWords, 'size' | 'figure'>,
	enough = ENOUGH
): string {
	const between = `between ${figure(low)} and ${size(high)}, nine times of ten`;
	return trials >= enough ? between : `${between}; ${enough - trials} more answers make it firm`;
}
