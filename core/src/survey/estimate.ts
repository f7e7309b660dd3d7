import { median } from 'd3-array';
import type { VerdictKind } from './verdict';

/** What work takes, in minutes or in money: for coming and looking, for each note that is touched, a tuning, each pass before it. */
export interface Tariff {
	readonly visit: number;
	readonly note: number;
	readonly tuning: number;
	readonly pass: number;
}

/** Work as a verdict asks for it. */
export interface Work {
	readonly kind: VerdictKind;
	/** Notes that are touched, where not all are. */
	readonly notes: number;
	readonly passes: number;
}

/** What work comes to by a tariff; touching single notes never costs more than tuning all of them. */
export function estimate({ kind, notes, passes }: Work, { visit, note, tuning, pass }: Tariff): number {
	if (kind === 'leave' || kind === 'barred') return visit;
	if (kind === 'spot' || kind === 'touchUp') return visit + Math.min(notes * note, tuning);
	return visit + tuning + (kind === 'tune' ? 0 : passes * pass);
}

/** A visit that is over: how long it took, and how many passes went before the tuning. */
export interface VisitLength {
	readonly minutes: number;
	readonly passes: number;
}

/** Visits outside these were no tunings in one go: begun and left open, or tried out. */
const PLAUSIBLE = { shortest: 20, longest: 360 } as const;
/** A habit shows in so many visits. */
const FEWEST = 3;
/** Nobody makes a pass in less. */
const SHORTEST_PASS = 5;

export interface Pace {
	readonly tariff: Tariff;
	/** Visits that a tuning's minutes come from, and a pass's; 0: as somebody has set them. */
	readonly tunings: number;
	readonly raises: number;
}

/** How long work takes by what earlier visits took (medians), and by what was set where those are too few. */
export function paceOf(visits: readonly VisitLength[], set: Tariff): Pace {
	const told = visits.filter(({ minutes }) => minutes >= PLAUSIBLE.shortest && minutes <= PLAUSIBLE.longest);
	const plain = told.filter(({ passes }) => passes === 0);
	const known = plain.length >= FEWEST;
	const tuning = known ? Math.max(0, median(plain, ({ minutes }) => minutes)! - set.visit) : set.tuning;
	const raised = told.filter(({ passes }) => passes > 0);
	const each = median(raised, ({ minutes, passes }) => (minutes - set.visit - tuning) / passes);
	const tells = each !== undefined && raised.length >= FEWEST;
	const pass = tells ? Math.max(SHORTEST_PASS, each) : set.pass;
	return { tariff: { ...set, tuning, pass }, tunings: known ? plain.length : 0, raises: tells ? raised.length : 0 };
}
