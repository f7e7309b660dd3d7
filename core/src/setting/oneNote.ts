import type { Stringing } from '../strings/stringing';
import type { ReadStrike } from './hold';
import { staysPut } from './leverWork';

/** When the one note that an owner mends at home is a technician's work: why, in the order of what is worse. */
export const STOP_REASONS = ['notFollowing', 'notHolding', 'farOff', 'allOut'] as const;
export type StopReason = (typeof STOP_REASONS)[number];

/** A string that must move further than that, and an instrument whose neighbouring notes stand further out, in cents. */
const FAR_OFF = 30;
const ALL_OUT = 10;
/** A pin that has let its string leave its place so often does not hold. */
const LEFT_ITS_PLACE = 3;

/**
 * @param strikes of the string in hand, oldest first
 * @param above where the neighbours stand, in cents from the plan
 * @param tolerance cents
 */
export function stopReasons(strikes: readonly ReadStrike[], above: number, tolerance: number): readonly StopReason[] {
	const isIn = strikes.map(({ off }) => Math.abs(off) <= tolerance);
	const left = isIn.filter((here, i) => here && isIn[i + 1] === false).length;
	const holds: Record<StopReason, boolean> = {
		notFollowing: staysPut(strikes),
		notHolding: left >= LEFT_ITS_PLACE,
		farOff: strikes.some(({ off }) => Math.abs(off) > FAR_OFF),
		allOut: Math.abs(above) > ALL_OUT
	};
	return STOP_REASONS.filter((reason) => holds[reason]);
}

/** Where a note's strings lie: counted from the nearer end of the strings that are strung alike. */
export interface StringsPlace {
	readonly strings: number;
	readonly wound: boolean;
	/** 1 for the first from that end. */
	readonly count: number;
	readonly from: 'left' | 'right';
	/** Whether that end is the break, or the keyboard's end. */
	readonly isBreak: boolean;
}

export function stringsPlace({ lowest, sections }: Pick<Stringing, 'lowest' | 'sections'>, note: number): StringsPlace {
	const at = Math.max(
		0,
		sections.findIndex(({ to }) => note <= to)
	);
	const first = at === 0 ? lowest : sections[at - 1].to + 1;
	const { to, strings, wound } = sections[at];
	const [fromLeft, fromRight] = [note - first + 1, to - note + 1];
	const isLeft = fromLeft <= fromRight;
	return {
		...{ strings, wound },
		count: isLeft ? fromLeft : fromRight,
		from: isLeft ? 'left' : 'right',
		isBreak: isLeft ? at > 0 : at < sections.length - 1
	};
}
