import { INTERVALS, type IntervalKind } from '../intervals/intervalKinds';
import { A4 } from '../units/pitch';

/** One note to set, and the note it is proved against by ear. */
export interface SettingStep {
	readonly note: number;
	/** Already set when its turn comes; undefined for the first note, which comes from the reference pitch. */
	readonly against: number | undefined;
	readonly interval: IntervalKind | undefined;
	readonly section: 'reference' | 'temperament' | 'upwards' | 'downwards' | 'raise' | 'touch';
}

/** From A by fourths and fifths to E♭, then from A the other way to G♯: no step crosses the usual place of a wolf. */
const CIRCLE: readonly (readonly [note: number, against: number])[] = [
	[57, 69], // A3 from A4
	[62, 57], // D4
	[55, 62], // G3
	[60, 55], // C4
	[53, 60], // F3
	[58, 53], // B♭3
	[63, 58], // E♭4
	[64, 57], // E4
	[59, 64], // B3
	[54, 59], // F♯3
	[61, 54], // C♯4
	[56, 61], // G♯3
	[65, 53] // F4
];

/** The octave type the ear uses there: 6:3 in the bass, 4:2 in the middle, 2:1 in the treble. */
function octaveFor(lower: number): IntervalKind {
	if (lower < 48) return INTERVALS.octave63;
	return lower < 72 ? INTERVALS.octave42 : INTERVALS.octave;
}

function intervalBetween(a: number, b: number): IntervalKind {
	const semitones = Math.abs(a - b);
	if (semitones === 12) return octaveFor(Math.min(a, b));
	return semitones === 5 ? INTERVALS.fourth : INTERVALS.fifth;
}

/**
 * The order of work: A4, the octave F3 to F4 around the circle from A, then octaves upwards, then
 * downwards. Notes outside the compass are passed over, and so is the ear's reference when it is missing.
 */
export function settingOrder(lowest: number, highest: number): readonly SettingStep[] {
	const within = (note: number) => note >= lowest && note <= highest;
	const done = new Set<number>();
	const steps: SettingStep[] = [];
	const add = (note: number, against: number | undefined, section: SettingStep['section']) => {
		if (!within(note) || done.has(note)) return;
		const known = against !== undefined && done.has(against) ? against : undefined;
		steps.push({
			note,
			against: known,
			interval: known === undefined ? undefined : intervalBetween(note, known),
			section
		});
		done.add(note);
	};
	add(A4, undefined, 'reference');
	for (const [note, against] of CIRCLE) add(note, against, 'temperament');
	for (let note = Math.max(lowest, 66); note <= highest; note++) add(note, note - 12, 'upwards');
	for (let note = Math.min(highest, 65); note >= lowest; note--) add(note, note + 12, 'downwards');
	return steps;
}
