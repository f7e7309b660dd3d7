const PLAIN = /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i;

/** A number as people type it, with a comma or a point and any minus sign; NaN when it is none. */
export function typedNumber(text: string): number {
	const plain = text.trim().replace(',', '.').replace('−', '-');
	return PLAIN.test(plain) ? Number(plain) : Number.NaN;
}
