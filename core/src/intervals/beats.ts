import { partialHz, type StiffString } from '../strings/stiffString';
import { beatsPerSecond, hz, type BeatsPerSecond, type Hz } from '../units/quantity';
import type { IntervalKind } from './intervalKinds';

/** A beat: how fast, and at what pitch it is heard. */
export interface Beat {
	readonly rate: BeatsPerSecond;
	readonly heardAt: Hz;
}

/**
 * Beat of partial p of the lower string with partial q of the upper one, signed (wide is positive):
 * q F_U sqrt(1 + B_U q^2) - p F_L sqrt(1 + B_L p^2) (Fletcher 1964, eq. 9, for both strings).
 */
export function beatOf(lower: StiffString, upper: StiffString, kind: IntervalKind): Beat {
	const ofLower = partialHz(lower, kind.lowerPartial);
	const ofUpper = partialHz(upper, kind.upperPartial);
	return { rate: beatsPerSecond(ofUpper - ofLower), heardAt: hz((ofUpper + ofLower) / 2) };
}
