import { isReading, type Act, type ActOf } from './happened';
import { standingEvents, type VisitReport } from './report';

/** What comes by itself while people work: nobody means it, so nobody takes it back. */
const BY_ITSELF: ReadonlySet<Act['do']> = new Set([
	'place',
	'stage',
	'learned',
	'caution',
	'takeBack',
	'discard',
	'finish',
	// Cancelled in the diary, where it may have been moved meanwhile.
	'book'
]);

/** What was done last, and what was taken back last: one act, or all that one strike of two keys told. */
export interface Undoable {
	/** What stands and was meant; none: there is only the visit's first plan, which cannot be taken back. */
	readonly last: readonly Act[];
	/** What was taken back, unless something was done since: with its taking back itself taken back it stands again. */
	readonly again: readonly { readonly by: ActOf<'takeBack'>; readonly act: Act }[];
}

/** How many of the last acts tell of one strike: two keys meet at each pair of partials once. */
function ofOneStrike(acts: readonly Act[]): number {
	const met = new Set<string>();
	const last = acts.at(-1);
	let count = 0;
	for (const act of [...acts].reverse()) {
		if (act.do !== 'heard' || last?.do !== 'heard' || act.lower !== last.lower || act.upper !== last.upper) break;
		const meeting = `${act.lowerPartial}:${act.upperPartial}`;
		if (met.has(meeting)) break;
		met.add(meeting);
		count++;
	}
	return Math.max(count, Math.min(1, acts.length));
}
const lastOf = <Of>(all: readonly Of[], count: number) => all.slice(all.length - count);

/** @param report of the whole visit: a kept summary has no events */
export function undoable(report: VisitReport): Undoable {
	const acts = standingEvents(report).filter((event): event is Act => !isReading(event));
	const first = acts.find(({ do: kind }) => kind === 'plan');
	const meant = acts.filter((act) => act !== first && !BY_ITSELF.has(act.do));
	const since = acts.lastIndexOf(meant[meant.length - 1]);
	const taken = acts.slice(since + 1).flatMap((by) => {
		const act = by.do === 'takeBack' ? takes(report, by) : undefined;
		return by.do === 'takeBack' && act ? [{ by, act }] : [];
	});
	return {
		last: lastOf(meant, ofOneStrike(meant)),
		again: lastOf(taken, ofOneStrike(taken.map(({ act }) => act)))
	};
}

/** What a taking back took; undefined where that was a taking back itself. */
function takes({ events }: VisitReport, { act }: ActOf<'takeBack'>): Act | undefined {
	const taken = events.get(act);
	return taken && !isReading(taken) && taken.do !== 'takeBack' ? taken : undefined;
}
