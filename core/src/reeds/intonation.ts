import { cents, type Cents } from '../units/quantity';
import { PLATES, type HoleNotes, type Plate } from './layouts';

/*
 * Where reeds are to stand, against the key's equal temperament. A harmonica's blow plate is one chord, on the tonic; its draw plate
 * is another, on the dominant, whose root is the blow chord's fifth: the two sets of offsets are linked there.
 */

export const LEVELS = ['equal', 'octaves', 'chords'] as const;
/** Every reed equal; octaves still; chords just. */
export type IntonationLevel = (typeof LEVELS)[number];

export interface Intonation {
	readonly level: IntonationLevel;
	/** How far chords go from equal to just: 1 all of the way. */
	readonly share: number;
	/** The draw chord's seventh and ninth, in cents from equal to the chord's root; null: as just as the rest. */
	readonly seventh: number | null;
	readonly ninth: number | null;
	/** Of one's own, by semitones above the tonic (0 to 11), in cents from equal: they come before all others. */
	readonly own: Readonly<Record<number, number>>;
}

export const JUST_CHORDS: Intonation = { level: 'chords', share: 1, seventh: null, ninth: null, own: {} };

/** Semitones of the draw chord's root above the tonic. */
const DOMINANT = 7;
/** Just against equal, by semitones above a chord's root: 9/8, 6/5, 5/4, 4/3, 3/2, 8/5, 5/3, 7/4, 15/8. */
const JUST: Readonly<Record<number, number>> = {
	...{ 0: 0, 2: 3.91, 3: 15.64, 4: -13.69, 5: -1.96, 7: 1.96, 8: 13.69, 9: -15.64, 10: -31.17, 11: -11.73 }
};
const SEVENTH = 10;
const NINTH = 2;

/** Where a reed is to stand, in cents from the key's equal temperament. @param note semitones above the tonic */
export function reedOffset(note: number, plate: Plate, { level, share, seventh, ninth, own }: Intonation): Cents {
	const degree = ((note % 12) + 12) % 12;
	if (degree in own) return cents(own[degree]);
	if (level !== 'chords') return cents(0);
	if (plate === 'blow') return cents(share * (JUST[degree] ?? 0));
	const above = (degree - DOMINANT + 12) % 12;
	const taste = above === SEVENTH ? seventh : above === NINTH ? ninth : null;
	return cents(share * JUST[DOMINANT] + (taste ?? share * (JUST[above] ?? 0)));
}

/** A reed by its place. Holes are counted from 1. */
export interface ReedPlace {
	readonly hole: number;
	readonly plate: Plate;
	/** Semitones above the lowest tonic. */
	readonly note: number;
}

export function reedsOf(holes: readonly HoleNotes[]): readonly ReedPlace[] {
	return PLATES.flatMap((plate) =>
		holes.flatMap(({ [plate]: note }, i) => (note === null ? [] : [{ hole: i + 1, plate, note }]))
	);
}

/** Octaves that a tongue can play: two reeds of a plate with others between them, the lower first. */
export function octavesOf(holes: readonly HoleNotes[]): readonly (readonly [lower: ReedPlace, upper: ReedPlace])[] {
	const reeds = reedsOf(holes);
	return reeds.flatMap((lower) =>
		reeds
			.filter(({ plate, note }) => plate === lower.plate && note === lower.note + 12)
			.map((upper) => [lower, upper] as const)
	);
}

/** How a reed's pitch follows the breath. */
export interface BreathSlope {
	/** Cents a decibel: below 0 where it falls when blown harder. */
	readonly slope: number;
	readonly error: number;
}

/** What a reed is read at, gently, so that it stands where it is to stand in play. @param gentle, playing levels in decibels */
export function gentleOffset(offset: Cents, { slope }: BreathSlope, gentle: number, playing: number): Cents {
	return cents(offset + slope * (gentle - playing));
}
