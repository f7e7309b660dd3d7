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
	'finish'
]);

/** What was done last, and what was taken back last. */
export interface Undoable {
	/** The last act that stands and was meant; a visit's first plan cannot be taken back. */
	readonly last: Act | undefined;
	/** The last taking back, unless something was done since: taken back itself, the act stands again. */
	readonly again: { readonly by: ActOf<'takeBack'>; readonly act: Act } | undefined;
}

/** @param report of the whole visit: a kept summary has no events */
export function undoable(report: VisitReport): Undoable {
	const acts = standingEvents(report).filter((event): event is Act => !isReading(event));
	const first = acts.find(({ do: kind }) => kind === 'plan');
	const isMeant = (act: Act) => act !== first && !BY_ITSELF.has(act.do);
	const last = acts.filter(isMeant).at(-1);
	const by = acts
		.filter((each): each is ActOf<'takeBack'> => each.do === 'takeBack' && takes(report, each) !== undefined)
		.at(-1);
	const act = by && takes(report, by);
	const isNewest = by !== undefined && (!last || acts.indexOf(by) > acts.indexOf(last));
	return { last, again: by && act && isNewest ? { by, act } : undefined };
}

/** What a taking back took; undefined where that was a taking back itself. */
function takes({ events }: VisitReport, { act }: ActOf<'takeBack'>): Act | undefined {
	const taken = events.get(act);
	return taken && !isReading(taken) && taken.do !== 'takeBack' ? taken : undefined;
}
