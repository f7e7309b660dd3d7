import { SOFTER_DB, type ReadStrike } from './hold';

/** How hard the blows on a string were: only firm ones show whether its pin has settled. */
export interface Blows {
	readonly firm: number;
	readonly soft: number;
}

/** @param strikes on one string; a blow whose level nobody told counts as firm */
export function countBlows(strikes: readonly Pick<ReadStrike, 'level'>[]): Blows {
	const firmest = Math.max(...strikes.map(({ level = -Infinity }) => level));
	const soft = strikes.filter(({ level }) => level !== undefined && level < firmest - SOFTER_DB).length;
	return { firm: strikes.length - soft, soft };
}

/** Loud blows after which the ear should be spared, and again after every so many. */
export const SPARE_EARS = 200;
