import type { Brief } from './brief';

/** After how many months somebody comes again. */
export interface Intervals {
	/** Played daily or some times a week. */
	readonly inUse: number;
	readonly hardly: number;
	readonly stage: number;
}

/** Days after which somebody comes again when it was moved far: it still gives. */
export const FOLLOW_UP_DAYS = { first: 14, last: 21 } as const;

const DAY = 86_400_000;
/** A twelfth of a mean year. */
const MONTH = (365.25 / 12) * DAY;

/**
 * When an instrument falls due after a visit.
 * @param at the visit's end, in milliseconds since 1970
 * @param moved how far the pitch was moved in it, in cents
 * @param followUp from how many cents on somebody comes again soon
 * @returns milliseconds since 1970
 */
export function fallsDue(
	at: number,
	{ played, purpose }: Pick<Brief, 'played' | 'purpose'>,
	intervals: Intervals,
	moved: number,
	followUp: number
): number {
	if (moved >= followUp) return at + FOLLOW_UP_DAYS.last * DAY;
	if (purpose === 'stage') return at + intervals.stage * MONTH;
	return at + (played === 'seldom' || played === 'hardly' ? intervals.hardly : intervals.inUse) * MONTH;
}
