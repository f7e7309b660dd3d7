import type { Answer, Hand, Strings } from '@fendrel/core';
import type { Conditions } from './conditions';

/** What the page gives to the view of any drill. */
export interface DrillView {
	readonly userId: string;
	readonly strings: Strings;
	/** What the same ear has answered before. */
	readonly earlier: readonly Answer[];
	readonly hand: Hand;
	readonly conditions: Conditions;
	readonly onagain: () => void;
}

/** A seed of its own for each sitting. */
export const anySeed = () => crypto.getRandomValues(new Uint32Array(1))[0];
