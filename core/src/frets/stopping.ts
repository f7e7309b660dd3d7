import { inverseOf } from '../numeric/linearSystem';
import { across, isTied, type Neck, type StringStuff } from './neck';
import { centsAt, centsPerMillimetre, placeOf } from './places';

/*
 * A stopped string sounds sharper than its length says: it is stretched as it is pressed down, and the nut stands a little too high
 * or too near. Frets of tied gut lie where they were pushed. Both are found together from what was read, by Bayes with Gaussian
 * errors (Gelman et al. 2013, section 14.8): a straight line for each fret, two numbers for each string.
 */

/** Cents of a stopped string from the interval that is wanted above its open one. */
export interface FretReading {
	readonly string: number;
	readonly fret: number;
	readonly off: number;
	/** Standard error. */
	readonly error: number;
}

/** A stopped string as it stands, read or told by the others. */
export interface Stopped extends FretReading {
	readonly isRead: boolean;
}

/** A neck as its readings tell it. */
export interface NeckStanding {
	/** Fret by fret, from the highest string down. */
	readonly notes: readonly Stopped[];
	/** Where each fret lies, mm from the nut, with the standard error of the better end. */
	readonly frets: readonly {
		readonly fret: number;
		readonly low: number;
		readonly high: number;
		readonly error: number;
	}[];
	/** What each string adds: the same at every fret, and by how far it is pressed down, at the last tied fret. In cents. */
	readonly strings: readonly { readonly nut: number; readonly pressed: number }[];
}

/** How far frets lie from where they are thought to, in mm: typed, or nobody knows; fixed ones are sawn. */
const LIES = { typed: 0.5, unknown: 5, fixed: 0.05 } as const;
const SLANTS = { typed: 0.5, unknown: 4, fixed: 0.02 } as const;
/** The nut's share: half a millimetre on 690 is 1.3 cents; and what pressing adds at the seventh fret by the strings, in cents. */
const NUT = 2;
const PRESSED: Readonly<Record<StringStuff, { readonly cents: number; readonly differs: number }>> = {
	gut: { cents: 1.5, differs: 1.5 },
	nylon: { cents: 2, differs: 2 },
	steel: { cents: 4, differs: 4 }
};
/** What no model says of a single place, in cents. */
const ALONE = 0.4;
const REFERENCE = 7;

/**
 * The stretch of a string that is pressed down at `place`, relative to that at the seventh fret: h^2/2 (1/x + 1/(L - x)), with
 * the height from nut to last fret on a straight line.
 */
export function pressing({ scale, action, frets }: Pick<Neck, 'scale' | 'action' | 'frets'>, place: number): number {
	const at = (fret: number) => placeOf(scale, 100 * fret);
	const [first, last] = [at(1), at(frets)];
	const height = (x: number) => action.first + ((action.last - action.first) * (x - first)) / (last - first || 1);
	const stretch = (x: number) => height(x) ** 2 * (1 / x + 1 / (scale - x));
	return stretch(place) / stretch(at(Math.min(REFERENCE, frets)));
}

/**
 * A neck from what was read of it.
 * @param wanted cents above the open string, by string and fret
 * @param read any number of readings; several of one place count together
 */
export function neckStanding(
	neck: Neck,
	wanted: (string: number, fret: number) => number,
	read: readonly FretReading[]
): NeckStanding {
	const { strings, scale, frets } = neck;
	const tied = isTied(neck);
	const known = Array.from({ length: frets }, (_, k) => neck.places[k] ?? undefined);
	const lies = (k: number) => (tied ? (known[k] ? 'typed' : 'unknown') : 'fixed');
	const thought = (fret: number, string: number) => {
		const ends = known[fret - 1];
		if (!ends || !tied) return placeOf(scale, 100 * fret);
		return ends.low + (ends.high - ends.low) * across(neck, string);
	};
	const size = 2 * frets + 2 * strings.length;
	const rowOf = (string: number, fret: number) => {
		const row = new Float64Array(size);
		const place = thought(fret, string);
		const each = centsPerMillimetre(scale, place);
		row[2 * (fret - 1)] = each;
		row[2 * (fret - 1) + 1] = each * (across(neck, string) - 0.5);
		row[2 * frets + 2 * (string - 1)] = 1;
		row[2 * frets + 2 * (string - 1) + 1] = pressing(neck, place);
		return { row, expected: centsAt(scale, place) - wanted(string, fret) };
	};

	const usual = PRESSED[neck.stuff];
	const prior = new Float64Array(size);
	const precision = Array.from({ length: size }, () => Array<number>(size).fill(0));
	for (let k = 0; k < frets; k++) {
		precision[2 * k][2 * k] = 1 / LIES[lies(k)] ** 2;
		precision[2 * k + 1][2 * k + 1] = 1 / SLANTS[lies(k)] ** 2;
	}
	for (let s = 0; s < strings.length; s++) {
		const at = 2 * frets + 2 * s;
		precision[at][at] = 1 / NUT ** 2;
		precision[at + 1][at + 1] = 1 / usual.differs ** 2;
		prior[at + 1] = usual.cents / usual.differs ** 2;
	}
	for (const { string, fret, off, error } of read) {
		const { row, expected } = rowOf(string, fret);
		const weight = 1 / (error ** 2 + ALONE ** 2);
		for (let i = 0; i < size; i++) {
			if (row[i] === 0) continue;
			prior[i] += weight * row[i] * (off - expected);
			for (let j = 0; j < size; j++) precision[i][j] += weight * row[i] * row[j];
		}
	}
	const covariance = inverseOf(precision);
	const found = covariance.map((line) => line.reduce((sum, value, j) => sum + value * prior[j], 0));
	const told = (row: Float64Array) => row.reduce((sum, value, i) => sum + value * found[i], 0);
	const spread = (row: Float64Array) => {
		let sum = 0;
		for (let i = 0; i < size; i++)
			if (row[i] !== 0) for (let j = 0; j < size; j++) sum += row[i] * covariance[i][j] * row[j];
		return Math.sqrt(sum);
	};

	const notes = Array.from({ length: frets }, (_, k) => k + 1).flatMap((fret) =>
		strings.map((_, i): Stopped => {
			const string = i + 1;
			const own = read.filter((each) => each.string === string && each.fret === fret);
			if (own.length) {
				const weights = own.map(({ error }) => 1 / Math.max(0.02, error) ** 2);
				const all = weights.reduce((sum, weight) => sum + weight, 0);
				const off = own.reduce((sum, each, n) => sum + weights[n] * each.off, 0) / all;
				return { string, fret, off, error: 1 / Math.sqrt(all), isRead: true };
			}
			const { row, expected } = rowOf(string, fret);
			return { string, fret, off: expected + told(row), error: Math.hypot(spread(row), ALONE), isRead: false };
		})
	);
	return {
		notes,
		frets: known.map((_, k) => {
			const middle = (u: number) => found[2 * k] + found[2 * k + 1] * (u - 0.5);
			const at = (string: number) => thought(k + 1, string) + middle(across(neck, string));
			return { fret: k + 1, low: at(strings.length), high: at(1), error: Math.sqrt(covariance[2 * k][2 * k]) };
		}),
		strings: strings.map((_, s) => ({ nut: found[2 * frets + 2 * s], pressed: found[2 * frets + 2 * s + 1] }))
	};
}
