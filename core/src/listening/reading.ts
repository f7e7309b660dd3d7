import type { Cents, Hz } from '../units/quantity';

/** One partial of a string as measured. */
export interface MeasuredPartial {
	readonly partial: number;
	readonly frequency: Hz;
	/** Standard error of the frequency in Hz. */
	readonly error: number;
	/** Level in decibels relative to full scale. */
	readonly level: number;
	/** Seconds in which it falls by 1/e; undefined when it did not fall while it was followed. */
	readonly decay: number | undefined;
}

/** A string as measured from one strike. */
export interface StringReading {
	readonly note: number;
	/** Seconds since the listener began at which the strike fell. */
	readonly struckAt: number;
	/** Seconds after the strike that the figure stands for. */
	readonly moment: number;
	/** Pitch of the first partial, from all partials together. */
	readonly pitch: Hz;
	readonly pitchError: Cents;
	/** Pitch without stiffness. */
	readonly flexiblePitch: Hz;
	/** B; undefined when too few partials sound to tell. */
	readonly inharmonicity: number | undefined;
	readonly inharmonicityError: number | undefined;
	readonly partials: readonly MeasuredPartial[];
}

/** Decibels of the loudest partial; undefined where none was read. */
export const levelOf = ({ partials }: Pick<StringReading, 'partials'>): number | undefined =>
	partials.length ? Math.max(...partials.map(({ level }) => level)) : undefined;
