import {
	compareHappened,
	isReading,
	STAGES,
	type Act,
	type ActOf,
	type PlanField,
	type Purpose,
	type Stage
} from './happened';
import { standingEvents, type VisitReport } from './report';
import { groupOf, type SounderId } from './sounder';

/** When nothing happens for longer than that, in minutes, the work was left. */
const LEFT_AFTER = 20;
const MINUTE = 60_000;

/** A time over the instrument. */
export interface PassDone {
	/** As left before the tuning, or as set. */
	readonly purpose: Extract<Purpose, 'raised' | 'set'>;
	/** Which time over, from 1; 0: a trial. */
	readonly pass: number;
	readonly groups: number;
	readonly sounders: number;
}

/** What was done in a visit, and how long it took. */
export interface WorkDone {
	/** Minutes in each stage that was entered, pauses left out. */
	readonly minutes: ReadonlyMap<Stage, number>;
	/** In the order in which they were made. */
	readonly passes: readonly PassDone[];
	/** Sounders that were set or raised, each once. */
	readonly sounders: number;
	/** Groups whose leading sounder was taken by ear when it was set last. */
	readonly byEar: readonly number[];
	/** What was planned anew after the first of them was set. */
	readonly replanned: readonly PlanField[];
	readonly readings: number;
}

/** The stage that an act says the work is in; from before stages were said, by what was done. */
function stageBy(act: Act, before: Stage | undefined): Stage | undefined {
	if (act.do === 'stage') return act.stage;
	if (before || act.do !== 'accept') return before;
	return act.purpose === 'found' ? 'sound' : 'set';
}

/** Minutes of every stage: each moment belongs to the stage that was entered last. */
function stageMinutes(report: VisitReport): Map<Stage, number> {
	const events = standingEvents(report);
	const spent = new Map<Stage, number>();
	let stage: Stage | undefined;
	events.forEach((event, i) => {
		if (!isReading(event)) stage = stageBy(event, stage);
		const next = events[i + 1];
		if (!stage) return;
		const minutes = next ? (next.at - event.at) / MINUTE : 0;
		spent.set(stage, (spent.get(stage) ?? 0) + (minutes > LEFT_AFTER ? 0 : minutes));
	});
	return new Map(STAGES.flatMap((each) => (spent.has(each) ? [[each, spent.get(each)!] as const] : [])));
}

/** @param report of the whole visit: a kept summary has no events */
export function workDone(report: VisitReport): WorkDone {
	const standing = standingEvents(report);
	const isSetting = (event: (typeof standing)[number]): event is ActOf<'accept'> =>
		!isReading(event) && event.do === 'accept' && (event.purpose === 'set' || event.purpose === 'raised');
	const accepted = standing.filter(isSetting);
	const passes = new Map<string, { readonly of: ActOf<'accept'>; readonly sounders: Set<SounderId> }>();
	for (const act of accepted) {
		const key = `${act.purpose} ${act.pass}`;
		const { sounders } = passes.get(key) ?? { sounders: new Set() };
		passes.set(key, { of: act, sounders: new Set([...sounders, ...act.sounders]) });
	}
	const last = new Map(
		accepted.filter(({ purpose }) => purpose === 'set').map((act) => [groupOf(act.sounders[0]), act])
	);
	const first = accepted[0];
	const replanned = standing.flatMap((event) =>
		first && !isReading(event) && event.do === 'plan' && compareHappened(event, first) > 0 ? (event.wrote ?? []) : []
	);
	return {
		minutes: stageMinutes(report),
		passes: [...passes.values()].map(({ of: { purpose, pass }, sounders }) => ({
			...{ purpose: purpose as PassDone['purpose'], pass },
			...{ groups: new Set([...sounders].map(groupOf)).size, sounders: sounders.size }
		})),
		sounders: new Set(accepted.flatMap(({ sounders }) => sounders)).size,
		byEar: [...last.values()].filter(({ reading }) => reading === null).map(({ sounders }) => groupOf(sounders[0])),
		replanned: [...new Set(replanned)],
		readings: standing.filter(isReading).length
	};
}
