import type { Plucked } from './fretActs';
import type { SounderId } from './sounder';

/** How a reed is held while it is read: on a sealed block, or with its covers on, as it is played. The two are not compared. */
export const REED_SET_UPS = ['block', 'covers'] as const;
export type ReedSetUp = (typeof REED_SET_UPS)[number];
/** All else is read as it is played. */
export const SET_UPS = [...REED_SET_UPS, 'played', 'measured'] as const;
export type SetUp = (typeof SET_UPS)[number];

/** How hard one blows or draws. */
export const BREATHS = ['soft', 'normal', 'hard'] as const;
export type Breath = (typeof BREATHS)[number];

/** What is measured of a tone that lasts, besides its pitch. */
export interface Lasting {
	/** Decibels of its harmonics, relative to full scale. */
	readonly level: number;
	/** The same where it was softest. */
	readonly softest: number;
	/** Cents a decibel, and the standard error of that; null: the breath hardly changed. */
	readonly slope: number | null;
	readonly slopeError: number | null;
	/** Standard deviation about a straight line, in cents, and how that line rises, in cents a second. */
	readonly wobble: number;
	readonly drift: number;
	readonly setUp: SetUp;
	/** Of strings over fixed frets: how they were plucked. */
	readonly plucked?: Plucked | null;
}

/** Metal taken off a reed: off its tip it rises, off its root it falls. */
export interface Filed {
	readonly sounders: readonly SounderId[];
	readonly end: 'tip' | 'root';
	readonly strokes: number;
}

/** A bend that was played down to where it ends. */
export interface Bent {
	/** The reed that was bent, and the one beneath it. */
	readonly group: number;
	readonly beneath: number;
	/** Hz of the floor, and of the reed beneath as it was read last. */
	readonly floor: number;
	readonly over: number;
}

/** Where reeds are to stand, as it was planned: see `reeds/intonation`. */
export interface PlannedIntonation {
	readonly level: string;
	readonly share: number;
	readonly seventh: number | null;
	readonly ninth: number | null;
	readonly own: Readonly<Record<string, number>>;
	/** Decibels of gentle and of playing breath as they are heard here; null: as what has been read tells. */
	readonly gentle: number | null;
	readonly playing: number | null;
	/** How much of what is left a bite takes. */
	readonly bite: string;
}
