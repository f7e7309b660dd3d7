import { countScatter, type Ear } from '../bearing/ear';
import type { Edge } from '../bearing/edges';
import { INTERVALS, type IntervalKind } from '../intervals/intervalKinds';
import type { StiffString } from '../strings/stiffString';
import type { Cents } from '../units/quantity';
import type { MeasuredNotes } from './measuredNotes';

/** An interval that somebody counted. */
export interface CountedBeats {
	readonly lower: number;
	readonly upper: number;
	readonly kind: IntervalKind;
	/** Beats per second, 0 or more. */
	readonly rate: number;
	readonly sense: 'wide' | 'narrow' | 'unknown';
	/** Standard deviation of the count, per second. */
	readonly error: number;
	/** Measured: an ear's bias is not in it. */
	readonly isMeasured?: boolean;
}

export interface CountOptions {
	/** The strings where they are meant to be: the solution is sought around them. */
	readonly strings: (note: number) => StiffString;
	/** The note whose pitch is known to be right (the fork's): beats alone hardly tell the level. */
	readonly reference: number;
	/** What all counts of an ear together may be too fast or too slow by, per second (standard deviation). */
	readonly bias: number;
}

/** How well one count goes with all the others. */
export interface CountResidual {
	readonly count: CountedBeats;
	readonly sense: 'wide' | 'narrow';
	/** What the solution makes of the interval, signed, per second. */
	readonly fitted: number;
	/** (counted - fitted) over its standard deviation (Baarda 1968); undefined when no other count checks this one. */
	readonly strain: number | undefined;
}

/** The count that goes least with the others, and what is found without it. */
export interface Contradiction {
	readonly index: number;
	/** The rate that the others ask for, signed. */
	readonly expected: number;
	/** Its size agrees with the others once wide is taken for narrow, or narrow for wide. */
	readonly otherSense: boolean;
}

export interface CountSolution {
	readonly measured: MeasuredNotes;
	/** All counts too fast (positive) or too slow by this, per second. */
	readonly bias: number;
	readonly residuals: readonly CountResidual[];
	readonly chiSquared: number;
	readonly freedom: number;
	readonly fits: boolean;
	/** Set aside, worst first, until the rest agree. The measured notes are what the rest say. */
	readonly contradictions: readonly Contradiction[];
}

export type CountResult =
	| { readonly kind: 'solved'; readonly solutions: readonly CountSolution[]; readonly more: boolean }
	| { readonly kind: 'refused'; readonly why: CountRefusal };

export type CountRefusal =
	| { readonly reason: 'no counts' }
	/** `notes` hang on nothing that leads to the reference. */
	| { readonly reason: 'unconnected'; readonly notes: readonly number[]; readonly missing: readonly Edge[] }
	/** `note` is known no better than `error` cents. */
	| { readonly reason: 'uncertain'; readonly note: number; readonly error: Cents; readonly missing: readonly Edge[] }
	/** A miscount of `count` could stay unseen and shift notes by `shift` cents; undefined when nothing checks it at all. */
	| {
			readonly reason: 'unchecked';
			readonly count: CountedBeats;
			readonly shift: Cents | undefined;
			readonly missing: readonly Edge[];
	  };

/** The ear's own scatter for a count, rounding to a tenth included. */
export function countError(ear: Ear, rate: number): number {
	return Math.hypot(countScatter(ear, rate), 0.1 / Math.sqrt(12));
}

/** The coincidence a count of that interval is heard at; octaves by their 4:2, as the ear takes them in the middle. */
export function countedKind(semitones: number): IntervalKind | undefined {
	return Object.values(INTERVALS).find(
		(kind) => kind.semitones === semitones && kind !== INTERVALS.octave && kind !== INTERVALS.octave63
	);
}
