import { SOFTER_DB, type ReadStrike } from './hold';

/** How hard the blows on a string were: only firm ones show whether its pin has settled. */
export interface Blows {
	readonly firm: number;
	readonly soft: number;
}

type Blow = Pick<ReadStrike, 'level'>;

/** Whether a blow was firm beside the others on its string; one whose level nobody told counts as firm. */
export function isFirm({ level }: Blow, strikes: readonly Blow[]): boolean {
	return level === undefined || level >= Math.max(...strikes.map((each) => each.level ?? -Infinity)) - SOFTER_DB;
}

/** @param strikes on one string */
export function countBlows(strikes: readonly Blow[]): Blows {
	const firm = strikes.filter((strike) => isFirm(strike, strikes)).length;
	return { firm, soft: strikes.length - firm };
}

/** Loud blows from which on the ear should be spared. */
export const SPARE_EARS = 200;
