import { cents, type Cents } from '../units/quantity';
import { addFractions, fraction, fractionText, fractionValue, subtractFractions, type Fraction } from './fraction';

/** Twelve pure fifths above seven octaves: 531441/524288, 23.46001 cents. */
export const PYTHAGOREAN_COMMA = cents(1200 * Math.log2(531441 / 524288));
/** Four pure fifths above a pure third and two octaves: 81/80, 21.50629 cents. */
export const SYNTONIC_COMMA = cents(1200 * Math.log2(81 / 80));
export const PURE_FIFTH = cents(1200 * Math.log2(3 / 2));
export const PURE_MAJOR_THIRD = cents(1200 * Math.log2(5 / 4));
export const PURE_MINOR_THIRD = cents(1200 * Math.log2(6 / 5));

/** How much narrower than pure a fifth is, in exact parts of both commas. Negative parts are wide. */
export interface Tempering {
	readonly pythagorean: Fraction;
	readonly syntonic: Fraction;
}

const NONE = fraction(0);
export const PURE: Tempering = { pythagorean: NONE, syntonic: NONE };
/** What twelve fifths must lose in all for the circle to close. */
export const WHOLE_CIRCLE: Tempering = { pythagorean: fraction(1), syntonic: NONE };

/** A fifth narrow by num/den of the Pythagorean comma. */
export function pythagorean(num: number, den: number): Tempering {
	return { pythagorean: fraction(num, den), syntonic: NONE };
}

/** A fifth narrow by num/den of the syntonic comma. */
export function syntonic(num: number, den: number): Tempering {
	return { pythagorean: NONE, syntonic: fraction(num, den) };
}

export function addTemperings(a: Tempering, b: Tempering): Tempering {
	return {
		pythagorean: addFractions(a.pythagorean, b.pythagorean),
		syntonic: addFractions(a.syntonic, b.syntonic)
	};
}

export function subtractTemperings(a: Tempering, b: Tempering): Tempering {
	return {
		pythagorean: subtractFractions(a.pythagorean, b.pythagorean),
		syntonic: subtractFractions(a.syntonic, b.syntonic)
	};
}

export function sumOfTemperings(all: readonly Tempering[]): Tempering {
	return all.reduce(addTemperings, PURE);
}

export function isSameTempering(a: Tempering, b: Tempering): boolean {
	const rest = subtractTemperings(a, b);
	return rest.pythagorean.num === 0 && rest.syntonic.num === 0;
}

/** The tempering in cents, positive = narrow. */
export function temperingCents({ pythagorean, syntonic }: Tempering): Cents {
	return cents(fractionValue(pythagorean) * PYTHAGOREAN_COMMA + fractionValue(syntonic) * SYNTONIC_COMMA);
}

/** "pure", "1/6 P", "1/4 S", "1 P -11/4 S". */
export function temperingText({ pythagorean, syntonic }: Tempering): string {
	const parts = [];
	if (pythagorean.num !== 0) parts.push(`${fractionText(pythagorean)} P`);
	if (syntonic.num !== 0) parts.push(`${fractionText(syntonic)} S`);
	return parts.length ? parts.join(' ') : 'pure';
}

const TEMPERING = /^([+-]?)\s*(\d{1,4})(?:\/(\d{1,4}))?\s*([PS])/i;

/**
 * Reads "pure", "0", "1/6 P", "-1/12 P", "1/4 S", "1 P -11/4 S".
 * @returns undefined when the text says no tempering
 */
export function parseTempering(text: string): Tempering | undefined {
	let rest = text.trim().replace(/[−–]/g, '-');
	if (/^(pure|0)$/i.test(rest)) return PURE;
	let sum = PURE;
	if (rest === '') return undefined;
	while (rest !== '') {
		const match = TEMPERING.exec(rest);
		if (!match || Number(match[3] ?? 1) === 0) return undefined;
		const part = fraction(Number(match[2]) * (match[1] === '-' ? -1 : 1), Number(match[3] ?? 1));
		sum = addTemperings(
			sum,
			match[4].toUpperCase() === 'P' ? { ...PURE, pythagorean: part } : { ...PURE, syntonic: part }
		);
		rest = rest.slice(match[0].length).trim();
	}
	return sum;
}
