import { INTERVALS, type IntervalKind } from '../intervals/intervalKinds';
import type { HeardAgainst } from './step';

/** Up to here octaves are judged at 4:2, above by double octaves: F5. */
const OCTAVES_TO = 77;
/** From here down 6:3 tells, then 8:4, then 10:5: below C3, C2, G1. */
const BASS = { from63: 48, from84: 36, from105: 31 } as const;
/** Wound strings that stand in the tenor read wrong for the octave alone: down to here, E2. */
const LOW_TENOR = 40;

/** The octave type that the ear uses with its lower note there. */
export function octaveType(lower: number): IntervalKind {
	if (lower < BASS.from105) return INTERVALS.octave105;
	if (lower < BASS.from84) return INTERVALS.octave84;
	if (lower < BASS.from63) return INTERVALS.octave63;
	return lower < 72 ? INTERVALS.octave42 : INTERVALS.octave;
}

/** What a note above the temperament is set against, of what is set already. */
export function proofUpwards(note: number, isSet: (note: number) => boolean): readonly HeardAgainst[] {
	const double = { against: note - 24, interval: INTERVALS.doubleOctave };
	const octave = { against: note - 12, interval: octaveType(note - 12) };
	const wanted = note > OCTAVES_TO ? [double, octave] : [octave];
	return wanted.filter(({ against }) => isSet(against)).slice(0, 1);
}

/** The same below it; wound strings of the low tenor by fifth, fourth and octave together. */
export function proofDownwards(
	note: number,
	isSet: (note: number) => boolean,
	isWound: (note: number) => boolean
): readonly HeardAgainst[] {
	const octave = { against: note + 12, interval: octaveType(note) };
	const others =
		note >= LOW_TENOR && isWound(note)
			? [
					{ against: note + 7, interval: INTERVALS.fifth },
					{ against: note + 5, interval: INTERVALS.fourth }
				]
			: [];
	return [octave, ...others].filter(({ against }) => isSet(against));
}
