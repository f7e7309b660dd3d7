import { BREATHS, type Breath } from '@fendrel/core';

/** Ways in which simulated reeds are blown, or drawn: held, or from soft to loud. */
export const WAYS_TO_BLOW = [...BREATHS, 'swell'] as const;
export type WayToBlow = Breath | 'swell';

/** As one says how: "softly". */
export const BREATH_WORDS: Readonly<Record<Breath, string>> = {
	soft: 'Softly',
	normal: 'As one plays',
	hard: 'Hard'
};
