/** A coincidence that has a say in the curve, and where it would stand in equal temperament against pure. */
export interface CurveInterval<Name extends string = string> {
	readonly name: Name;
	readonly semitones: number;
	readonly lowerPartial: number;
	readonly upperPartial: number;
	/** Cents from pure that equal temperament gives it. */
	readonly equal: number;
	/** Lower notes from and to which ears judge by it. */
	readonly judged: readonly [from: number, to: number];
}

const interval = <Lower extends number, Upper extends number>(
	lowerPartial: Lower,
	upperPartial: Upper,
	semitones: number,
	from: number,
	to: number
): CurveInterval<`${Lower}:${Upper}`> => {
	const equal = 100 * semitones - 1200 * Math.log2(lowerPartial / upperPartial);
	return {
		name: `${lowerPartial}:${upperPartial}` as const,
		semitones,
		lowerPartial,
		upperPartial,
		// Octaves are pure in equal temperament; rounding must not say otherwise.
		equal: semitones % 12 === 0 ? 0 : equal,
		judged: [from, to]
	};
};

/** The intervals that curves are weighed between; the registers are the usual ones of aural tests (4:2 to about F5). */
export const CURVE_INTERVALS = [
	interval(2, 1, 12, 72, 108),
	interval(4, 2, 12, 48, 77),
	interval(6, 3, 12, 28, 60),
	interval(8, 4, 12, 21, 45),
	interval(10, 5, 12, 21, 36),
	interval(4, 1, 24, 48, 84),
	interval(8, 1, 36, 48, 72),
	interval(3, 1, 19, 40, 88),
	interval(6, 2, 19, 21, 60),
	interval(3, 2, 7, 48, 84),
	interval(6, 4, 7, 36, 60),
	interval(4, 3, 5, 45, 79),
	interval(5, 4, 4, 41, 76)
] as const;

/** "2:1", "4:2" ...: one that does not stand above does not compile. */
export type CurveIntervalName = (typeof CURVE_INTERVALS)[number]['name'];
