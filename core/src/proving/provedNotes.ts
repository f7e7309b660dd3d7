import { inverse, Matrix } from 'ml-matrix';
import type { HeardInterval } from '../record/happened';
import { partialHz, type StiffString } from '../strings/stiffString';
import { cents, type Cents } from '../units/quantity';
import type { MeasuredNotes } from './measuredNotes';

/** A note that was read: cents from its target, and their standard error. */
export interface ReadNote {
	readonly note: number;
	readonly deviation: Cents;
	readonly error: Cents;
}

/** Two notes that were heard together: the beat where their partials meet. */
export type HeardBeatOf = Omit<HeardInterval, 'sense'>;

/** Where a note that nobody read may stand, in cents. */
const UNREAD = 8;
/** A beat is linear in cents as near as this matters after so many rounds. */
const ROUNDS = 3;
/** The lowest partials of real strings lie so far off their law, in cents: a beat says no more of the notes than that. */
const STRAYS = 0.25;

/**
 * Where notes stand by all that is known: each one read by itself, and intervals heard. Weighted least squares on
 * q F_U sqrt(1 + B_U q^2) - p F_L sqrt(1 + B_L p^2), iterated (Gauss-Newton), with the readings as what was known before.
 * @param intended strings where they are meant to be
 */
export function provedNotes(
	read: readonly ReadNote[],
	heard: readonly HeardBeatOf[],
	intended: (note: number) => StiffString
): MeasuredNotes {
	const known = new Map(read.map((each) => [each.note, each]));
	const notes = [...new Set([...known.keys(), ...heard.flatMap(({ lower, upper }) => [lower, upper])])].sort(
		(a, b) => a - b
	);
	if (notes.length === 0) return { notes, deviations: [], covariance: [] };
	const place = new Map(notes.map((note, i) => [note, i]));
	const before = notes.map((note) => known.get(note) ?? { deviation: cents(0), error: cents(UNREAD) });
	let at = before.map(({ deviation }): number => deviation);
	let spread = Matrix.eye(notes.length);
	for (let round = 0; round < ROUNDS; round++) {
		const information = Matrix.eye(notes.length, notes.length, 0);
		const pull = before.map(({ deviation, error }, i) => {
			information.set(i, i, error ** -2);
			return (deviation - at[i]) / error ** 2;
		});
		for (const { lower, upper, lowerPartial, upperPartial, rate, error } of heard) {
			const [i, j] = [place.get(lower)!, place.get(upper)!];
			const low = partialHz(intended(lower), lowerPartial) * 2 ** (at[i] / 1200);
			const high = partialHz(intended(upper), upperPartial) * 2 ** (at[j] / 1200);
			const [a, b] = [(-low * Math.LN2) / 1200, (high * Math.LN2) / 1200];
			const weight = 1 / (error ** 2 + (STRAYS * a) ** 2 + (STRAYS * b) ** 2);
			const off = rate - (high - low);
			pull[i] += weight * a * off;
			pull[j] += weight * b * off;
			information.set(i, i, information.get(i, i) + weight * a * a);
			information.set(j, j, information.get(j, j) + weight * b * b);
			information.set(i, j, information.get(i, j) + weight * a * b);
			information.set(j, i, information.get(j, i) + weight * a * b);
		}
		spread = inverse(information);
		const step = spread.mmul(Matrix.columnVector(pull)).to1DArray();
		at = at.map((value, i) => value + step[i]);
	}
	return { notes, deviations: at.map(cents), covariance: spread.to2DArray() };
}

/** A reading that is off by so many of its errors is no longer true. */
const CONTRADICTED = 2;

/** Notes whose readings are contradicted by what was heard since: they, or those they were heard with, have moved. */
export function contradicted(read: readonly ReadNote[], { notes, deviations }: MeasuredNotes): ReadonlySet<number> {
	const now = new Map(notes.map((note, i) => [note, deviations[i]]));
	return new Set(
		read
			.filter(({ note, deviation, error }) => Math.abs(now.get(note)! - deviation) > CONTRADICTED * error)
			.map(({ note }) => note)
	);
}
