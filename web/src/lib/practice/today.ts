import { gains, unisonRate, type Gain, type MeasuredEar } from '@fendrel/core';
import type { Progress } from './progress';

/** A drill rests for so long before it is proposed again: what is spread over days stays. */
const REST_HOURS = 20;
/** So many sittings within half a day are enough. */
const ENOUGH = 4;
const HALF_DAY_HOURS = 12;
const HOUR = 3_600_000;

/** What to train now. */
export type Proposal =
	| { readonly is: 'rest'; readonly sittings: number }
	| { readonly is: 'drill'; readonly gain: Gain }
	| { readonly is: 'done' };

/** What the drills have measured that a tuning's error rests on. */
export function measuredEar(progress: readonly Progress[]): MeasuredEar {
	const of = (drill: string, register: string) =>
		progress.find((each) => each.drill === drill && each.register === register);
	const size = (drill: string, register: string) => of(drill, register)?.figure?.size;
	return {
		...{ quick: size('rates', 'quick'), slow: size('rates', 'slow') },
		...{ counted: of('counting', 'slow')?.lean?.value, octave: size('octaves', 'middle') },
		left: size('stillness', 'middle')
	};
}

/** The drill that gains most, among those that have rested; a rest where there was enough. */
export function proposal(progress: readonly Progress[], now: number): Proposal {
	const lately = progress
		.flatMap(({ sittings }) => sittings)
		.filter(({ at }) => now - at < HALF_DAY_HOURS * HOUR && at <= now);
	if (lately.length >= ENOUGH) return { is: 'rest', sittings: lately.length };
	const rested = ({ drill, register }: Gain) => {
		const last = progress.find((each) => each.drill === drill && each.register === register)?.sittings.at(-1);
		return !last || now - last.at >= REST_HOURS * HOUR;
	};
	const gain = gains(measuredEar(progress)).find(rested);
	return gain ? { is: 'drill', gain } : { is: 'done' };
}

/** The finest tolerance of a unison that such a hand reaches, in beats a second as settings have it. */
export const reachedUnison = (left: number): number => Math.ceil(100 * unisonRate(left)) / 100;
