import { cents, type Cents } from '../units/quantity';

/** What to do with the string that sounds. */
export type Advice = 'raise' | 'lower' | 'strike again' | 'holds';

/** Tolerances a technician may set, in cents, and the one to begin with. */
export const TOLERANCES = [0.3, 0.5, 1, 2, 3] as const;
export const DEFAULT_TOLERANCE = cents(1);

/**
 * What the last blows on a string say. It holds when two blows running lie within the tolerance and
 * differ by less than it: one blow cannot show that the pin has settled.
 * @param blows deviations from target in cents, oldest first
 */
export function adviceFor(blows: readonly number[], tolerance: Cents): Advice {
	const last = blows.at(-1);
	if (last === undefined) return 'strike again';
	if (Math.abs(last) > tolerance) return last < 0 ? 'raise' : 'lower';
	const before = blows.at(-2);
	const settled = before !== undefined && Math.abs(before) <= tolerance && Math.abs(last - before) < tolerance;
	return settled ? 'holds' : 'strike again';
}
