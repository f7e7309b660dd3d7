import { CURVE_INTERVALS, type CurveIntervalName } from './curveIntervals';

export const PRIORITY_IDS = ['balanced', 'octaves', 'double-octaves', 'twelfths', 'fifths', 'single-octaves'] as const;
export type PriorityId = (typeof PRIORITY_IDS)[number];

/** What a tuner puts first. */
export interface Priority {
	readonly id: PriorityId;
	readonly name: string;
	readonly about: string;
	/** How much an interval counts whose middle lies at note `at`; 0 and above, in the order of CURVE_INTERVALS. */
	readonly votes: (at: number) => readonly number[];
	/** Intervals wanted pure rather than as in equal temperament, by name. */
	readonly pure: readonly CurveIntervalName[];
}

/** 0 well below `at`, 1 well above it. */
const rising = (note: number, at: number, softness: number) => 1 / (1 + Math.exp((at - note) / softness));

/**
 * Octave type rho by the octave's lower note: partial 2 rho of it is to meet partial rho of the upper note. Falls from
 * 10:5 in the low bass to 2:1 at the top as 1 + (kappa / 2) (1 - tanh((m - m0) / alpha)) (Rigaud, David & Daudet 2013,
 * section on tuning; the constants are ours, for what pianos tuned by ear show there).
 */
const OCTAVE_TYPE = { kappa: 4.5, middle: 64, width: 24 } as const;

export function octaveType(lower: number): number {
	const { kappa, middle, width } = OCTAVE_TYPE;
	return 1 + (kappa / 2) * (1 - Math.tanh((lower - middle) / width));
}

/** Octave types so far from rho have no say: an ear hears the two or three nearest at once. */
const REACH = 1.5;

/** Each octave type's say where the octave's middle lies at `at`. */
function octaves(at: number): { two: number; four: number; six: number; eight: number; ten: number } {
	const rho = Math.min(5, octaveType(at - 6));
	const [two, four, six, eight, ten] = [1, 2, 3, 4, 5].map((type) => Math.max(0, 1 - Math.abs(rho - type) / REACH));
	return { two, four, six, eight, ten };
}

type Votes = Partial<Record<CurveIntervalName, number>>;
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
		about: 'The octave type that ears use in each register, with a lesser say for double octaves, twelfths and fifths.',
		pure: [],
		votes: (note) =>
			inOrder({
				...byOctaves(note),
				'4:1': 0.15 * rising(note, 66, 5),
				'3:1': 0.15 * rising(note, 55, 5),
				'6:2': 0.05,
				'8:1': 0.04 * rising(note, 75, 5)
			})
	},
	{
		id: 'octaves',
		name: 'Octave-led',
		about: 'Octaves alone decide: 10:5 and 8:4 in the bass, 6:3 in the middle, 4:2 above, 2:1 at the top.',
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
				'3:1': 0.15 * rising(note, 55, 5) * (1 - led),
				'4:1': 0.15 * rising(note, 66, 5) * (1 - led),
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
