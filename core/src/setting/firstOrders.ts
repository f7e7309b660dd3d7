import { INTERVALS, type IntervalKind } from '../intervals/intervalKinds';
import { A4 } from '../units/pitch';

/** How a note of the temperament is come by; no interval: by the figure, from what stands beside it. */
export interface FirstStep {
	readonly note: number;
	readonly against?: number;
	readonly interval?: IntervalKind;
}

export interface FirstGround {
	/** The temperament octave's lowest note. */
	readonly octave: number;
}

/** An order in which the temperament's notes are set, after the reference, that needs no plan. */
export interface FirstOrder {
	readonly id: string;
	readonly name: string;
	readonly about: string;
	readonly steps: (ground: FirstGround) => readonly FirstStep[];
}

/** From A by fourths and fifths to E♭, then from A the other way to G♯: no step crosses the usual place of a wolf. */
const CIRCLE = [
	[9, 2],
	[2, 7],
	[7, 0],
	[0, 5],
	[5, 10],
	[10, 3],
	[9, 4],
	[4, 11],
	[11, 6],
	[6, 1],
	[1, 8]
] as const;

/** The note of a class within an octave's thirteen; the lowest of two. */
const placed = (octave: number, noteClass: number) => octave + ((((noteClass - octave) % 12) + 12) % 12);

/** The octave's own A, from A4 or an A between them. */
function firstA(octave: number): readonly FirstStep[] {
	const a = placed(octave, 9);
	return a === A4 ? [] : [{ note: a, against: nearestA(a), interval: INTERVALS.octave42 }];
}

function byCircle({ octave }: FirstGround): readonly FirstStep[] {
	const round = CIRCLE.map(([from, to]): FirstStep => {
		const [against, note] = [placed(octave, from), placed(octave, to)];
		return { note, against, interval: Math.abs(note - against) === 5 ? INTERVALS.fourth : INTERVALS.fifth };
	});
	return [...firstA(octave), ...round, { note: octave + 12, against: octave, interval: INTERVALS.octave42 }];
}

/** A4, or the A an octave from the one asked for that lies towards it. */
const nearestA = (a: number) => (a < A4 ? Math.min(A4, a + 12) : Math.max(A4, a - 12));

/** One semitone after the other. */
const run = (from: number, to: number): readonly FirstStep[] =>
	Array.from({ length: Math.abs(to - from) + 1 }, (_, i) => ({ note: from + (to >= from ? i : -i) }));

function bySteps({ octave }: FirstGround): readonly FirstStep[] {
	const a = placed(octave, 9);
	return [...firstA(octave), ...run(a - 1, octave), ...run(a + 1, octave + 12)];
}

export const FIRST_ORDERS: readonly FirstOrder[] = [
	{
		id: 'circle',
		name: 'Circle of fifths from A',
		about: 'Fourths and fifths from A to E♭, then from A to G♯; the octave at the end.',
		steps: byCircle
	},
	{
		id: 'steps',
		name: 'By step',
		about: 'A, down to the octave’s lowest note, then up to its highest: by the figure.',
		steps: bySteps
	},
	{
		id: 'upwards',
		name: 'Upwards',
		about: 'From the octave’s lowest note to its highest, one after the other: by the temperament’s table.',
		steps: ({ octave }) => run(octave, octave + 12)
	}
];
