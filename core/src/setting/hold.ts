import { weightedLine } from '../numeric/weighted';
import { cents, type Cents } from '../units/quantity';

/** What to do with the string that sounds. */
export type Advice = 'raise' | 'lower' | 'strike again' | 'holds';

/** Tolerances a technician may set, in cents, and the one to begin with. */
export const TOLERANCES = [0.3, 0.5, 1, 2, 3] as const;
export const DEFAULT_TOLERANCE = cents(1);

/**
 * What the last strikes on a string say. It holds when two strikes running lie within the tolerance and
 * differ by less than it: one strike cannot show that the pin has settled.
 * @param strikes deviations from target in cents, oldest first
 */
export function adviceFor(strikes: readonly number[], tolerance: Cents): Advice {
	const last = strikes.at(-1);
	if (last === undefined) return 'strike again';
	if (Math.abs(last) > tolerance) return last < 0 ? 'raise' : 'lower';
	const before = strikes.at(-2);
	const settled = before !== undefined && Math.abs(before) <= tolerance && Math.abs(last - before) < tolerance;
	return settled ? 'holds' : 'strike again';
}

/** Strikes over which a drift is looked at: older ones were turned at. */
const DRIFT_STRIKES = 4;

/** How a string moves from strike to strike, with nobody turning its pin. */
export interface Stability {
	readonly strikes: number;
	/** Cents a strike: the slope of a straight line through the last ones. */
	readonly drift: Cents;
	/** Standard error of the drift from the scatter about that line; undefined with two strikes, which always lie on one. */
	readonly error: Cents | undefined;
}

/** @returns undefined with fewer than two strikes */
export function stabilityOf(strikes: readonly number[]): Stability | undefined {
	const last = strikes.slice(-DRIFT_STRIKES);
	const count = last.length;
	if (count < 2) return undefined;
	const places = last.map((_, i) => i);
	const line = weightedLine(
		places,
		last,
		last.map(() => 1)
	)!;
	const { slope: drift, spread } = line;
	const left = last.reduce((sum, value, i) => sum + (value - line.meanY - drift * (i - line.meanX)) ** 2, 0);
	return {
		strikes: count,
		drift: cents(drift),
		error: count > 2 ? cents(Math.sqrt(left / (count - 2) / spread)) : undefined
	};
}
