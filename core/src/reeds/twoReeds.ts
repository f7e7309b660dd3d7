import { normalTail } from '../numeric/normalTail';
import type { BreathSlope } from './intonation';

/** A reed by itself: where it stands against its target, at which breath, and how it follows the breath. */
export interface ReedAlone extends BreathSlope {
	/** Cents from its target, and the standard error of that. */
	readonly off: number;
	readonly offError: number;
	/** Decibels at which that was read. */
	readonly level: number;
}

/** Two reeds that sound together, an octave or one note: which of them is too high. */
export interface TwoReeds {
	/** Cents by which the upper reed stands above the lower one at playing breath, and the standard error of that. */
	readonly apart: number;
	readonly error: number;
	/** Undefined: it cannot be told, or they are one. */
	readonly sharp: 'lower' | 'upper' | undefined;
	/** Decibels at which they are one; undefined where no breath brings them together. */
	readonly stillAt: number | undefined;
	/** What to do, by playing breath. */
	readonly advice: 'leave' | 'lower the lower' | 'raise the lower or lower the upper' | 'cannot be told';
}

/** Closer than that, in cents, nobody can tell which of two to move. */
const TOLD_FROM = 2;
/** Still at playing breath: so near that they beat less than once in some seconds. */
const STILL = 0.5;
const SURE = 0.95;

/** @param playing decibels of playing breath */
export function compareReeds(lower: ReedAlone, upper: ReedAlone, playing: number): TwoReeds {
	const at = ({ off, slope, level }: ReedAlone) => off + slope * (playing - level);
	const errorOf = ({ offError, error, level }: ReedAlone) => Math.hypot(offError, error * (playing - level));
	const apart = at(upper) - at(lower);
	const error = Math.hypot(errorOf(lower), errorOf(upper));
	const steeper = upper.slope - lower.slope;
	const still = Math.abs(steeper) > 1e-6 ? playing - apart / steeper : undefined;
	const sure = 1 - normalTail(Math.abs(apart) / error) >= SURE;
	const isTold = Math.abs(apart) >= TOLD_FROM && sure;
	const sharp = !isTold ? undefined : apart > 0 ? 'upper' : 'lower';
	return {
		...{ apart, error, sharp, stillAt: still },
		advice:
			Math.abs(apart) <= STILL
				? 'leave'
				: sharp === 'lower'
					? 'lower the lower'
					: sharp === 'upper'
						? 'raise the lower or lower the upper'
						: 'cannot be told'
	};
}
