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
	minorSixth: { name: 'minor sixth', semitones: 8, lowerPartial: 8, upperPartial: 5 },
	majorSixth: { name: 'major sixth', semitones: 9, lowerPartial: 5, upperPartial: 3 },
	octave: { name: 'octave', semitones: 12, lowerPartial: 2, upperPartial: 1 },
	octave42: { name: 'octave 4:2', semitones: 12, lowerPartial: 4, upperPartial: 2 },
	octave63: { name: 'octave 6:3', semitones: 12, lowerPartial: 6, upperPartial: 3 },
	octave84: { name: 'octave 8:4', semitones: 12, lowerPartial: 8, upperPartial: 4 },
	octave105: { name: 'octave 10:5', semitones: 12, lowerPartial: 10, upperPartial: 5 },
	tenth: { name: 'tenth', semitones: 16, lowerPartial: 5, upperPartial: 2 },
	twelfth: { name: 'twelfth', semitones: 19, lowerPartial: 3, upperPartial: 1 },
	doubleOctave: { name: 'double octave', semitones: 24, lowerPartial: 4, upperPartial: 1 },
	seventeenth: { name: 'seventeenth', semitones: 28, lowerPartial: 5, upperPartial: 1 }
} as const satisfies Record<string, IntervalKind>;

const WITHIN_OCTAVE = [
	'unison',
	'minor second',
	'major second',
	'minor third',
	'major third',
	'fourth',
	'tritone',
	'fifth',
	'minor sixth',
	'major sixth',
	'minor seventh',
	'major seventh'
] as const;
const BEYOND: Readonly<Record<number, string>> = {
	12: 'octave',
	13: 'minor ninth',
	14: 'major ninth',
	15: 'minor tenth',
	16: 'major tenth',
	17: 'eleventh',
	19: 'twelfth',
	24: 'double octave',
	27: 'minor seventeenth',
	28: 'major seventeenth',
	31: 'nineteenth',
	36: 'triple octave'
};

/** "major tenth"; intervals without a name of their own are an octave or more and the rest. */
export function intervalName(semitones: number): string {
	if (semitones < 12) return WITHIN_OCTAVE[semitones];
	const own = BEYOND[semitones];
	if (own) return own;
	const octaves = Math.floor(semitones / 12);
	return `${octaves === 1 ? 'octave' : `${octaves} octaves`} and ${WITHIN_OCTAVE[semitones % 12]}`;
}

/** The intervals that are compared step by step along an octave, as they stand on charts and lists. */
export const STAIRCASES = ['minorThird', 'majorThird', 'fourth', 'fifth', 'minorSixth', 'majorSixth'] as const;
export type StaircaseName = (typeof STAIRCASES)[number];
