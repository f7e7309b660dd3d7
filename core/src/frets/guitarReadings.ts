import { groupOf } from '../record/sounder';
import { compareHappened, type Reading } from '../record/happened';
import type { Plucked } from '../record/fretActs';
import { centsBetween, equalHz } from '../units/pitch';
import { hz, type Hz } from '../units/quantity';
import { fretPlaceOf, noteAt, type Neck } from './neck';
import { soundsAt, type PluckedString, type PluckReading } from './pluckedNeck';

/** A way to sound a string of a guitar, and its fret from the nut. */
export interface Sounding extends Plucked {
	readonly fret: number;
}

/** What offsets are told for: the open string, softly plucked, without a capo. */
export const OPEN_SOFT: Sounding = { fret: 0, capo: 0, touch: 0, isHarmonic: false };
const OCTAVE = 12;

/** What tells most of a string with the fewest plucks: open, hard, its harmonic, stopped there and near the nut, and under the capo. */
export function soundingsOf({ frets, capo }: Pick<Neck, 'frets' | 'capo'>): readonly Sounding[] {
	return [
		OPEN_SOFT,
		{ ...OPEN_SOFT, touch: 1 },
		...(frets >= OCTAVE
			? [
					{ ...OPEN_SOFT, fret: OCTAVE, isHarmonic: true },
					{ ...OPEN_SOFT, fret: OCTAVE }
				]
			: []),
		{ ...OPEN_SOFT, fret: 1 },
		...(capo > 0 ? [{ ...OPEN_SOFT, capo }] : [])
	];
}

/** The note that sounds, and its pitch in equal temperament. */
export function soundedAt(
	neck: Pick<Neck, 'strings'>,
	string: number,
	{ fret, capo }: Pick<Sounding, 'fret' | 'capo'>,
	a4: Hz
): { readonly note: number; readonly pitch: Hz } {
	const note = noteAt(neck, { string, fret: Math.max(fret, capo), isSecond: false });
	return { note, pitch: equalHz(note, a4) };
}

/** A reading with this far from an earlier one of the same kind was taken after its peg was turned, in cents. */
const TURNED = 3;
const ERROR = 0.5;
const kindOf = ({ fret, capo, touch, isHarmonic }: Sounding) => [fret, capo, touch, isHarmonic].join();

/**
 * Readings by which a guitar was measured, each with its string's tuning: a string that sounds otherwise than before in the same way,
 * or that was played to be tuned meanwhile, has been turned.
 * @param readings of a visit, in any order
 */
export function guitarReadings(neck: Neck, a4: Hz, readings: readonly Reading[]): readonly PluckReading[] {
	const tunings = new Map<number, { number: number; isTurned: boolean; seen: Map<string, number> }>();
	return [...readings].sort(compareHappened).flatMap((reading): PluckReading[] => {
		const { string, fret, isSecond } = fretPlaceOf(groupOf(reading.sounders[0]));
		const { plucked, setUp } = reading.lasting ?? {};
		if (!plucked || isSecond || string > neck.strings.length || fret > neck.frets) return [];
		const tuning = tunings.get(string) ?? { number: 0, isTurned: false, seen: new Map<string, number>() };
		tunings.set(string, tuning);
		if (setUp !== 'measured') {
			tuning.isTurned = tuning.seen.size > 0;
			return [];
		}
		const how = { fret, ...plucked };
		const off = centsBetween(soundedAt(neck, string, how, a4).pitch, hz(reading.pitch));
		const before = tuning.seen.get(kindOf(how));
		if (tuning.isTurned || (before !== undefined && Math.abs(off - before) > TURNED)) {
			tuning.number++;
			tuning.isTurned = false;
			tuning.seen.clear();
		}
		tuning.seen.set(kindOf(how), off);
		return [{ ...how, string, off, error: reading.pitchError ?? ERROR, tuning: tuning.number }];
	});
}

/** Where an open string is to sound in some way, so that softly plucked and without a capo it stands at its offset. */
export function guitarTarget(
	neck: Neck,
	string: number,
	measured: PluckedString,
	offset: number,
	how: Sounding,
	a4: Hz
): Hz {
	const adds = soundsAt(neck, { ...measured, open: { cents: 0, error: 0 } }, how);
	return hz(soundedAt(neck, string, how, a4).pitch * 2 ** ((offset + adds) / 1200));
}
