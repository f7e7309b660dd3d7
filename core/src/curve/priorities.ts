/** A coincidence that has a say in the curve, and where it would stand in equal temperament against pure. */
export interface CurveInterval {
	readonly name: string;
	readonly semitones: number;
	readonly lowerPartial: number;
	readonly upperPartial: number;
	/** Cents from pure that equal temperament gives it. */
	readonly equal: number;
}

const interval = (lowerPartial: number, upperPartial: number, semitones: number): CurveInterval => {
	const equal = 100 * semitones - 1200 * Math.log2(lowerPartial / upperPartial);
	return {
		name: `${lowerPartial}:${upperPartial}`,
		semitones,
		lowerPartial,
		upperPartial,
		// Octaves are pure in equal temperament; rounding must not say otherwise.
		equal: semitones % 12 === 0 ? 0 : equal
	};
};

/** The intervals that curves are weighed between. */
export const CURVE_INTERVALS = [
	interval(2, 1, 12),
	interval(4, 2, 12),
	interval(6, 3, 12),
	interval(8, 4, 12),
	interval(10, 5, 12),
	interval(4, 1, 24),
	interval(8, 1, 36),
	interval(3, 1, 19),
	interval(6, 2, 19),
	interval(3, 2, 7),
	interval(6, 4, 7),
	interval(4, 3, 5),
	interval(5, 4, 4)
] as const;

/** What a tuner puts first. */
export interface Priority {
	readonly id: string;
	readonly name: string;
	readonly about: string;
	/** How much an interval counts whose middle lies at note `at`; 0 and above, in the order of CURVE_INTERVALS. */
	readonly votes: (at: number) => readonly number[];
	/** Intervals wanted pure rather than as in equal temperament, by name. */
	readonly pure: readonly string[];
}

/** 0 well below `at`, 1 well above it. */
const rising = (note: number, at: number, softness: number) => 1 / (1 + Math.exp((at - note) / softness));
const falling = (note: number, at: number, softness: number) => 1 - rising(note, at, softness);

/** The octave type that leads by register: 10:5 and 8:4 in the low bass, 6:3 above it, 4:2 in the middle, 2:1 joining in on top. */
function octaves(note: number): { two: number; four: number; six: number; eight: number; ten: number } {
	return {
		two: 0.6 * rising(note, 82, 4),
		four: rising(note, 51, 3),
		six: 0.9 * falling(note, 54, 4) * rising(note, 30, 5),
		eight: 0.9 * falling(note, 41, 4),
		ten: 0.6 * falling(note, 34, 3)
	};
}

type Votes = Partial<Record<(typeof CURVE_INTERVALS)[number]['name'], number>>;
const inOrder = (votes: Votes) => CURVE_INTERVALS.map(({ name }) => votes[name] ?? 0);

/** Quiet fifths and fourths, thirds hardly: what every curve keeps an ear on. */
const INNER = { '3:2': 0.12, '6:4': 0.05, '4:3': 0.08, '5:4': 0.01 };

function byOctaves(note: number): Votes {
	const { two, four, six, eight, ten } = octaves(note);
	return { '2:1': two, '4:2': four, '6:3': six, '8:4': eight, '10:5': ten, ...INNER };
}

export const PRIORITIES: readonly Priority[] = [
	{
		id: 'balanced',
		name: 'Balanced',
		about: 'The octave type that the ear uses in each register, with double octaves, twelfths and fifths given a say.',
		pure: [],
		votes: (note) =>
			inOrder({
				...byOctaves(note),
				'4:1': 0.35 * rising(note, 66, 5),
				'3:1': 0.3 * rising(note, 55, 5),
				'6:2': 0.1,
				'8:1': 0.08 * rising(note, 75, 5)
			})
	},
	{
		id: 'octaves',
		name: 'Octave-led',
		about: 'Octaves alone decide: 6:3 in the bass, 4:2 in the middle, 2:1 joining in on top.',
		pure: [],
		votes: (note) => inOrder(byOctaves(note))
	},
	{
		id: 'double-octaves',
		name: 'Double-octave-led',
		about: 'Clean double octaves in the treble; single octaves come out a trace wide.',
		pure: [],
		votes: (note) => {
			const led = rising(note, 62, 4);
			const { two, four, six, eight, ten } = octaves(note);
			return inOrder({
				'2:1': (1 - 0.8 * led) * two,
				'4:2': (1 - 0.7 * led) * four,
				'6:3': six,
				'8:4': eight,
				'10:5': ten,
				'4:1': 1.4 * led,
				'8:1': 0.3 * led,
				...INNER
			});
		}
	},
	{
		id: 'twelfths',
		name: 'Twelfth-led',
		about: 'Pure twelfths: octaves a trace wide, fifths a trace quieter, much resonance.',
		pure: ['3:1', '6:2'],
		votes: (note) => {
			const { six, eight, ten } = octaves(note);
			const led = rising(note, 45, 4);
			return inOrder({
				'3:1': 2 * led,
				'6:2': 0.1 * led,
				'6:3': (1 - led) * six,
				'8:4': eight,
				'10:5': ten,
				'2:1': 0.02,
				'4:2': 0.02
			});
		}
	},
	{
		id: 'fifths',
		name: 'Fifth-led',
		about: 'Quiet fifths: the widest curve of all; octaves bear what fifths are spared.',
		pure: ['3:2', '6:4'],
		votes: (note) => {
			const { two, four, six, eight, ten } = octaves(note);
			return inOrder({
				'3:2': 1.6,
				'6:4': 0.5,
				'2:1': 0.5 * two,
				'4:2': 0.5 * four,
				'6:3': 0.5 * six,
				'8:4': 0.8 * eight,
				'10:5': ten
			});
		}
	},
	{
		id: 'single-octaves',
		name: 'Single octaves on top',
		about: 'As balanced up to the fifth octave, then clean 2:1 octaves: what examiners listen for.',
		pure: [],
		votes: (note) => {
			const led = rising(note, 78, 3);
			const { two, four, six, eight, ten } = octaves(note);
			return inOrder({
				'2:1': two + 2 * led,
				'4:2': (1 - led) * four,
				'6:3': six,
				'8:4': eight,
				'10:5': ten,
				'3:1': 0.3 * rising(note, 55, 5) * (1 - led),
				'4:1': 0.3 * rising(note, 66, 5) * (1 - led),
				...INNER
			});
		}
	}
];

/** @throws RangeError when there is no such priority */
export function priorityById(id: string): Priority {
	const found = PRIORITIES.find((priority) => priority.id === id);
	if (!found) throw new RangeError(`priorityById: no priority is called "${id}"`);
	return found;
}
