import type { StrikeAgain, SurveyedNote } from '@fendrel/core';
import { inharmonicityName } from '$lib/charts/inharmonicityChart';

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
				: `unison spread ${spread.cents.toFixed(1)} cents`
		: falseBeat === undefined
			? 'too short to show a false beat'
			: falseBeat === 'none'
				? 'no false beat'
				: `false beat, ${falseBeat.rate.toFixed(1)} a second`;
	return { stiffness, beat, again: again && AGAIN[again] };
}

/** Never surer than a tenth of a percent: no scale is smoother than that. */
function percent(share: number): string {
	const value = Math.max(0.1, 100 * share);
	return `${value.toFixed(value < 1 ? 1 : 0)} %`;
}
