/** An exact fraction in lowest terms; the denominator is positive. */
export interface Fraction {
	readonly num: number;
	readonly den: number;
}

const gcd = (a: number, b: number): number => (b === 0 ? Math.abs(a) : gcd(b, a % b));

/** @throws RangeError when either part is not whole or the denominator is 0. */
export function fraction(num: number, den = 1): Fraction {
	if (!Number.isSafeInteger(num) || !Number.isSafeInteger(den) || den === 0)
		throw new RangeError(`fraction: ${num}/${den} is not a fraction of whole numbers`);
	const shared = gcd(num, den) * Math.sign(den);
	return { num: num / shared || 0, den: den / shared };
}

export function addFractions(a: Fraction, b: Fraction): Fraction {
	return fraction(a.num * b.den + b.num * a.den, a.den * b.den);
}

export function subtractFractions(a: Fraction, b: Fraction): Fraction {
	return addFractions(a, fraction(-b.num, b.den));
}

export function fractionValue({ num, den }: Fraction): number {
	return num / den;
}

/** "1/4", "-1/6", "0", "2". */
export function fractionText({ num, den }: Fraction): string {
	return den === 1 ? String(num) : `${num}/${den}`;
}

/** Reads "3/2", "2" or "-1/6"; undefined when the text is no fraction of whole numbers. */
export function parseFraction(text: string): Fraction | undefined {
	const match = /^([+-]?\d{1,9})(?:\s*[/:]\s*(\d{1,9}))?$/.exec(text.trim().replace(/[−–]/g, '-'));
	if (!match || Number(match[2] ?? 1) === 0) return undefined;
	return fraction(Number(match[1]), Number(match[2] ?? 1));
}
