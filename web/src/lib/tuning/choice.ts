import type { StringKind } from '@fendrel/core';
import { KIND_NAMES } from './kinds';
import type { PlanBasis } from './plan';
import type { StoredTemperament } from './stored';

/** The usual compass of a kind, as notes. */
export const COMPASS: Record<StringKind, { readonly lowest: number; readonly highest: number }> = {
	grand: { lowest: 21, highest: 108 },
	upright: { lowest: 21, highest: 108 },
	fortepiano: { lowest: 29, highest: 89 },
	harpsichord: { lowest: 29, highest: 89 }
};

/** One of the workshop's instruments, or a typical one of a kind, at a pitch, in a temperament. */
export interface TuningChoice extends PlanBasis {
	readonly instruments: readonly { readonly id: string; readonly name: string }[];
	readonly temperaments: readonly StoredTemperament[];
	/** undefined for a typical one of `kind`. */
	readonly instrument: { readonly id: string; readonly name: string } | undefined;
	readonly temperament: StoredTemperament;
}

/** Two choices with the same signature have the same targets. */
export function signature({ instrument, kind, temperament, a4 }: TuningChoice): string {
	return [instrument?.id ?? kind, temperament.slug, a4].join(' ');
}

export function choiceName({ instrument, kind }: Pick<TuningChoice, 'instrument' | 'kind'>): string {
	return instrument?.name ?? `a typical ${KIND_NAMES[kind].toLowerCase()}`;
}
