import { noteClass } from '../units/note';
import { CIRCLE_FROM_C } from '../temperament/temperament';
import { cents, type Cents } from '../units/quantity';
import type { ClassOffsets } from './measuredNotes';

export interface KeyOrder {
	/** How much wider the thirds at F♯ are than those at C, by the pattern's amplitude: positive in well temperaments. */
	readonly index: Cents;
	readonly error: Cents;
	readonly verdict: 'home keys calmest' | 'all keys alike' | 'reversed';
}

/** Less than this is no order that anyone hears, in cents. */
const AUDIBLE = 1;

/**
 * The measured major thirds projected on the pattern of the well temperaments, slowest at C and fastest at
 * F♯ on the circle of fifths: index = sum(third * -cos(2 pi k / 12)) / 6. Clearly below 0 is a reversed order of keys.
 */
export function keyOrder({ offsets, errors }: ClassOffsets): KeyOrder {
	const gains = new Array<number>(12).fill(0);
	CIRCLE_FROM_C.forEach((from, step) => {
		const share = -Math.cos((2 * Math.PI * step) / 12) / 6;
		gains[noteClass(from + 4)] += share;
		gains[from] -= share;
	});
	const index = gains.reduce((sum, gain, i) => sum + gain * offsets[i], 0);
	const error = Math.sqrt(gains.reduce((sum, gain, i) => sum + (gain * errors[i]) ** 2, 0));
	const clear = Math.abs(index) > Math.max(AUDIBLE, 2 * error);
	return {
		index: cents(index),
		error: cents(error),
		verdict: !clear ? 'all keys alike' : index > 0 ? 'home keys calmest' : 'reversed'
	};
}
