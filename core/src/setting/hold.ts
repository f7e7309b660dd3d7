import { isCertain } from '../listening/certainty';
import { normalTail } from '../numeric/normalTail';
import { weightedLine } from '../numeric/weighted';
import { cents, type Cents } from '../units/quantity';

/** What to do with the string that sounds. */
export type Advice =
	| 'raise'
	| 'lower'
	| 'strike again'
	/** The last strike was too soft to show that the pin has settled. */
	| 'strike firmer'
	| 'holds'
	/** Readings of this string err too much to say so at this tolerance. */
	| 'too unsure';

/** Tolerances a technician may set, in cents, and the one to begin with. */
export const TOLERANCES = [0.3, 0.5, 1, 2, 3] as const;
export const DEFAULT_TOLERANCE = cents(1);

/** A strike that was read. */
export interface ReadStrike {
	/** Cents from target. */
	readonly off: number;
	/** Standard error of that, in cents; undefined when nobody stated one. */
	readonly error?: number | null;
	/** Decibels; undefined when not told. */
	readonly level?: number;
}

/** Whether the string lies outside half the tolerance now, or will after the next firm strike: said to hold below this. */
const DOUBT = 0.05;
/** An uncertain figure has a string turned only when the chance that it is off is above this. */
const TURN_FROM = 0.8;
/** No reading is surer than that: from strike to strike the hammer, the hand and the room differ. */
const LEAST_ERROR = 0.04;
/** What a reading may err by whose error nobody stated. */
const UNSTATED_ERROR = 0.3;
/** Cents a strike by which pins that have not settled creep (standard deviation): a settled one does not move. */
const CREEP = 0.35;
/** Strikes that are looked at: older ones were turned at. */
const LOOKED_AT = 5;
/** A strike so many decibels softer than the firmest of them moves no string. */
export const SOFTER_DB = 8;
/** After so many strikes that lie where they should, more of them do not help. */
const PATIENCE = 4;

/**
 * What the last strikes on a string say. "Holds" is said of the string, not of a figure: when the chance that it lies
 * outside half the tolerance, or will after the next firm strike, is under a twentieth. That follows from the figures,
 * their errors, and how the string has moved over the strikes since it was last turned (a straight line by Bayes, with
 * the slope's prior that of pins that creep).
 * @param strikes oldest first
 */
export function adviceFor(strikes: readonly ReadStrike[], tolerance: Cents): Advice {
	const last = strikes.at(-1);
	if (last === undefined) return 'strike again';
	const half = tolerance / 2;
	const run = sinceTurned(strikes, half);
	const { now, next } = expected(run);
	if (Math.abs(last.off) > half || Math.abs(now.mean) > half) {
		const isOff = isCertain(last.error) || liesBeyond(last, half) > TURN_FROM;
		return isOff ? (last.off < 0 ? 'raise' : 'lower') : 'strike again';
	}
	if (run.length < 2) return 'strike again';
	const firmest = Math.max(...run.map(({ level = -Infinity }) => level));
	if ((last.level ?? firmest) < firmest - SOFTER_DB) return 'strike firmer';
	const mayHold = run.every(({ error }) => isCertain(error));
	if (mayHold && outside(now, half) + outside(next, half) < DOUBT) return 'holds';
	const cannotTell = !mayHold || outside({ mean: 0, error: next.error }, half) > DOUBT;
	return run.length >= PATIENCE && cannotTell ? 'too unsure' : 'strike again';
}

/** The chance that a string lies beyond half the tolerance on the side on which its figure lies. */
function liesBeyond({ off, error }: ReadStrike, half: number): number {
	return normalTail((half - Math.abs(off)) / (error ?? UNSTATED_ERROR));
}

/** The strikes since the string was last asked to be turned. */
function sinceTurned(strikes: readonly ReadStrike[], half: number): readonly ReadStrike[] {
	const last = strikes.slice(-LOOKED_AT);
	let from = last.length - 1;
	while (from > 0 && Math.abs(last[from - 1].off) <= half) from--;
	return last.slice(from);
}

interface Normal {
	readonly mean: number;
	readonly error: number;
}

const outside = ({ mean, error }: Normal, half: number) =>
	normalTail((half - mean) / error) + normalTail((half + mean) / error);

/** Where the string stands at the last of some strikes, and where it will after one more. */
function expected(run: readonly ReadStrike[]): { now: Normal; next: Normal } {
	// Unknown: where it stood at the last strike, and the creep; places count back from there.
	let [a, b, c, p, q] = [0, 0, 1 / CREEP ** 2, 0, 0];
	run.forEach(({ off, error }, i) => {
		const place = i - (run.length - 1);
		const weight = 1 / Math.max(LEAST_ERROR, error ?? UNSTATED_ERROR) ** 2;
		a += weight;
		b += weight * place;
		c += weight * place * place;
		p += weight * off;
		q += weight * place * off;
	});
	const det = a * c - b * b;
	const at = (place: number): Normal => ({
		mean: (c * p - b * q + place * (a * q - b * p)) / det,
		error: Math.sqrt((c - 2 * place * b + place * place * a) / det)
	});
	return { now: at(0), next: at(1) };
}

/** Strikes over which a drift is looked at. */
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
	const line = weightedLine(places, last)!;
	const { slope: drift, spread } = line;
	const left = last.reduce((sum, value, i) => sum + (value - line.meanY - drift * (i - line.meanX)) ** 2, 0);
	return {
		strikes: count,
		drift: cents(drift),
		error: count > 2 ? cents(Math.sqrt(left / (count - 2) / spread)) : undefined
	};
}
