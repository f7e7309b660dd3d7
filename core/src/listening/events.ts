import type { Cents, Hz } from '../units/quantity';
import type { StringReading } from './reading';

/** Between which pitches a note is thought to stand. */
export interface Standing {
	readonly note: number;
	readonly low: Hz;
	readonly high: Hz;
}

/** The note that is due, as a hint: another one is still recognised. */
export interface Due {
	readonly note: number;
	/** Its target. */
	readonly pitch: Hz;
	/** Where it and the notes about it stand, as far as that is known. */
	readonly about?: readonly Standing[];
}

/** Why a sound was not measured. */
export type Refusal =
	/** Nothing stands out that could be a string. */
	| 'no note'
	/** Two notes at once. */
	| 'two notes'
	/** A pitch that wanders as a voice does. */
	| 'unsteady'
	/** A tone that is kept going, or whose partials are harmonic: a voice, a pipe, something that hums. */
	| 'steady tone'
	/** The sound broke off: samples were lost, or the sound card changed its rate. */
	| 'interrupted';

/** What the listener tells, in the order of time; `at` is seconds since it began. */
export type ListenerEvent =
	/** Level of the last tenth of a second, in decibels relative to full scale. */
	| {
			readonly kind: 'level';
			readonly at: number;
			readonly level: number;
			readonly noise: number;
			readonly clipped: boolean;
			/** Mains frequency that hums in the background; undefined while none does. */
			readonly hum: Hz | undefined;
	  }
	| { readonly kind: 'strike'; readonly at: number }
	/** Where the pitch stands now, every few hundredths of a second while a note sounds. */
	| {
			readonly kind: 'settling';
			readonly at: number;
			readonly since: number;
			readonly note: number;
			readonly pitch: Hz;
			readonly error: Cents;
			/** The register's listening partial; undefined when all are heard together, or when it is not to be heard. */
			readonly listened: { readonly partial: number; readonly frequency: Hz } | undefined;
	  }
	/** The strike's figure at the fixed moment. One at most per strike. */
	| {
			readonly kind: 'reading';
			readonly at: number;
			readonly reading: StringReading;
			/** Another note that it may have been as well: by its pitch alone nobody can tell. */
			readonly or?: number;
	  }
	| { readonly kind: 'refused'; readonly at: number; readonly why: Refusal }
	/** The sound has died away or was damped. */
	| { readonly kind: 'ended'; readonly at: number };
