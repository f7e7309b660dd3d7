import { COUNTED_OCTAVES, type StringKind } from '@fendrel/core';
import type { KeptCurve } from './curve';
import { KIND_NAMES } from './kinds';
import type { PlanBasis } from './plan';
import type { StoredTemperament } from './storedTemperament';
import { stretchWord, type Stretch } from './stretch';

/** The usual compass of a kind, as notes. */
export const COMPASS: Record<StringKind, { readonly lowest: number; readonly highest: number }> = {
	grand: { lowest: 21, highest: 108 },
	upright: { lowest: 21, highest: 108 },
	fortepiano: { lowest: 29, highest: 89 },
	harpsichord: { lowest: 29, highest: 89 }
};

/** One of the workshop's instruments, or a typical one of a kind, at a pitch, in a temperament. */
export interface TuningChoice extends PlanBasis {
	/** The first of the register. */
	readonly instruments: readonly { readonly id: string; readonly name: string }[];
	/** Whether the register has more. */
	readonly hasMore: boolean;
	readonly temperaments: readonly StoredTemperament[];
	/** undefined for a typical one of `kind`. */
	readonly instrument: { readonly id: string; readonly name: string } | undefined;
	readonly temperament: StoredTemperament;
	readonly stretch: Stretch;
	/** The kept curve that `stretch` names, where it names one. */
	readonly curve: KeptCurve | undefined;
	/** The stretch of the instrument's newest visit, when it has one. */
	readonly planned: Stretch | undefined;
}

/** Two choices with the same signature have the same targets. */
export function signature({ instrument, kind, temperament, a4, stretch }: TuningChoice): string {
	return [instrument?.id ?? kind, temperament.slug, a4, stretchWord(stretch)].join(' ');
}

export function choiceName({ instrument, kind }: Pick<TuningChoice, 'instrument' | 'kind'>): string {
	return instrument?.name ?? `a typical ${KIND_NAMES[kind].toLowerCase()}`;
}

type Compass = Pick<TuningChoice, 'lowest' | 'highest'>;

/** Octaves that are counted, where a keyboard has them. */
export function octavesOf({ lowest, highest }: Compass) {
	return COUNTED_OCTAVES.filter(({ low, high }) => low >= lowest && high <= highest);
}

/**
 * For pages that need more of the keyboard than some instruments have: the choice, or a typical instrument
 * of its kind in its place and the name of the one that does not do.
 */
export function orTypical(
	choice: TuningChoice,
	does: (compass: Compass) => boolean
): { readonly choice: TuningChoice; readonly standsInFor: string | undefined } {
	if (does(choice)) return { choice, standsInFor: undefined };
	const stretch: Stretch = choice.curve ? { by: 'priority', lead: choice.curve.wish.lead } : choice.stretch;
	const typical = {
		...choice,
		...COMPASS[choice.kind],
		stretch,
		instrument: undefined,
		curve: undefined,
		planned: undefined,
		measured: []
	};
	return { choice: typical, standsInFor: choiceName(choice) };
}
