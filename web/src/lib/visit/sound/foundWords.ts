import type { StrikeAgain, SurveyedNote } from '@fendrel/core';
import { inharmonicityName } from '$lib/charts/inharmonicityChart';
import { fixed } from '$lib/ui/format';

const AGAIN: Record<StrikeAgain, string> = {
	'pitch unsure': 'The pitch is not certain yet. Strike it once more.',
	'stiffness unsure': 'The stiffness is not certain yet. Strike it once more, firmly.',
	'strikes differ': 'The strikes differ. Strike it once more.',
	'out of line': 'Its stiffness does not go with its neighbours. Strike it once more, to be sure.'
};

/** What a note's strikes told, line by line, without its pitch. */
export function foundWords({ inharmonicity, falseBeat, spread, open, again }: SurveyedNote): {
	readonly stiffness: string;
	readonly beat: string;
	readonly again: string | undefined;
} {
	const stiffness = inharmonicity
		? `B ${inharmonicityName(inharmonicity.b)} ±${percent(inharmonicity.error / inharmonicity.b)}`
		: open
			? 'B needs one string alone'
			: 'too few partials for B';
	const beat = open
		? spread === undefined
			? 'too short to measure the spread'
			: spread === 'none'
				? 'unison still'
				: `unison spread ${fixed(spread.cents, 1)} cents`
		: falseBeat === undefined
			? 'too short to show a false beat'
			: falseBeat === 'none'
				? 'no false beat'
				: `false beat, ${fixed(falseBeat.rate, 1)} a second`;
	return { stiffness, beat, again: again && AGAIN[again] };
}

/** Two notes side by side may differ by so many cents, and nobody hears that one of them stands out. */
const WITH_THEM = 3;
const APART = 1.5;

/**
 * "C5 stands 11.8 cents below its neighbours, and its strings lie 3.2 cents apart."
 * @param off cents above where its neighbours would have it; undefined with too few of them
 */
export function oneNoteFound(name: string, off: number | undefined, spread: SurveyedNote['spread']): string {
	const apart = spread === undefined || spread === 'none' ? 0 : spread.cents;
	const unison =
		apart > APART
			? `its strings lie ${fixed(apart, 1)} cents apart`
			: spread === undefined
				? ''
				: 'its strings go together';
	if (off === undefined) return `Too few of its neighbours were read to say where ${name} should stand.`;
	if (Math.abs(off) <= WITH_THEM)
		return apart > APART
			? `${name} stands with its neighbours, but ${unison}.`
			: `${name} stands with its neighbours${unison && `, and ${unison}`}. If it still sounds odd, it is not its pitch: the hammer, a damper or a string.`;
	return `${name} stands ${fixed(Math.abs(off), 1)} cents ${off < 0 ? 'below' : 'above'} its neighbours${unison && `, and ${unison}`}.`;
}

/** Never surer than a tenth of a percent: no scale is smoother than that. */
function percent(share: number): string {
	const value = Math.max(0.1, 100 * share);
	return `${fixed(value, value < 1 ? 1 : 0)} %`;
}
