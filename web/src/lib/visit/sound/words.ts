import type { StrikeAgain, SurveyedNote } from '@fendrel/core';
import { inharmonicityName } from '$lib/charts/inharmonicityChart';

const AGAIN: Record<StrikeAgain, string> = {
	'pitch unsure': 'Its pitch is not sure yet: strike it once more.',
	'stiffness unsure': 'Its stiffness is not sure yet: strike it once more, firmly.',
	'strikes differ': 'Its strikes differ: strike it once more.'
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
			? 'B is told by one string only'
			: 'too few partials to tell B';
	const beat = open
		? spread === undefined
			? 'too short to tell its spread'
			: spread === 'none'
				? 'unison still'
				: `unison spread ${spread.cents.toFixed(1)} cents`
		: falseBeat === undefined
			? 'too short to tell a false beat'
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
