/*
 * Where a fret lies for an interval, and what a move of it does. Lengths in mm from the nut along a string of `scale` mm from nut
 * to bridge; intervals in cents above the open string. A stopped string of length l sounds scale/l times as high as the open one
 * (Mersenne 1636).
 */

/** Cents of a small relative change of a length. */
const CENTS = 1200 / Math.LN2;

/** Where a fret gives so many cents above the open string: x = L (1 - 2^(-c/1200)). */
export const placeOf = (scale: number, cents: number): number => -scale * Math.expm1((-cents * Math.LN2) / 1200);

/** Cents above the open string that a fret at `place` gives. @throws RangeError when it does not lie between nut and bridge */
export function centsAt(scale: number, place: number): number {
	if (!(place < scale)) throw new RangeError(`centsAt: ${place} mm is not on a string of ${scale} mm`);
	return -CENTS * Math.log1p(-place / scale);
}

/** How far a fret at `place` is moved towards the bridge so that it gives `cents` more. */
export const moveFor = (scale: number, place: number, cents: number): number => placeOf(scale - place, cents);

/** Cents that a move towards the bridge adds. */
export const centsOfMove = (scale: number, place: number, move: number): number => centsAt(scale - place, move);

/** Cents that a millimetre is at a place. */
export const centsPerMillimetre = (scale: number, place: number): number => CENTS / (scale - place);
