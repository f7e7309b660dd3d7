/** An interval by name, its semitones, and its lowest coincidence: partial p of the lower with q of the upper. */
export interface IntervalKind {
	readonly name: string;
	readonly semitones: number;
	readonly lowerPartial: number;
	readonly upperPartial: number;
}

export const INTERVALS = {
	unison: { name: 'unison', semitones: 0, lowerPartial: 1, upperPartial: 1 },
	minorThird: { name: 'minor third', semitones: 3, lowerPartial: 6, upperPartial: 5 },
	majorThird: { name: 'major third', semitones: 4, lowerPartial: 5, upperPartial: 4 },
	fourth: { name: 'fourth', semitones: 5, lowerPartial: 4, upperPartial: 3 },
	fifth: { name: 'fifth', semitones: 7, lowerPartial: 3, upperPartial: 2 },
	majorSixth: { name: 'major sixth', semitones: 9, lowerPartial: 5, upperPartial: 3 },
	octave: { name: 'octave', semitones: 12, lowerPartial: 2, upperPartial: 1 },
	octave42: { name: 'octave 4:2', semitones: 12, lowerPartial: 4, upperPartial: 2 },
	octave63: { name: 'octave 6:3', semitones: 12, lowerPartial: 6, upperPartial: 3 },
	tenth: { name: 'tenth', semitones: 16, lowerPartial: 5, upperPartial: 2 },
	seventeenth: { name: 'seventeenth', semitones: 28, lowerPartial: 5, upperPartial: 1 }
} as const satisfies Record<string, IntervalKind>;
