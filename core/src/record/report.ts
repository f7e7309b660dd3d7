import {
	compareHappened,
	isReading,
	isUsable,
	MARKS,
	type Act,
	type ActOf,
	type HeardChord,
	type HeardInterval,
	type Mark,
	type Purpose,
	type Reading,
	type VisitEvent
} from './happened';
import { arrivalOf, isArrivalAct, type Arrival, type At } from './brief';
import { closingOf, isClosingAct, type Closing } from './closing';
import { octaveOfMember } from '../strings/stringing';
import { groupOf, memberOf, type SounderId } from './sounder';
import { writtenOf, type Written } from './versions';

/** What stands of a reading in the report. */
export type Figure = Pick<Reading, 'id' | 'at' | 'device' | 'counter' | 'pitch' | 'target' | 'deviation'>;

/** How a sounder was taken last. */
export interface Acceptance extends Pick<
	ActOf<'accept'>,
	'id' | 'at' | 'device' | 'counter' | 'purpose' | 'pass' | 'setTo' | 'final' | 'plan'
> {
	/** undefined: by ear. */
	readonly figure: Figure | undefined;
}

/** A sounder in a visit. */
export interface SounderRecord {
	readonly sounder: SounderId;
	/** The first reading in which it sounded. */
	readonly found: Figure | undefined;
	/** How it was left: the last time it was taken as set or proved. */
	readonly left: Acceptance | undefined;
	/** How it was set last, before any proof; not kept in summaries. */
	readonly set?: Acceptance;
}

/** A group in a visit: what is said of a note, whichever of its strings told it. */
export interface GroupRecord {
	readonly group: number;
	readonly found: Figure | undefined;
	readonly left: Acceptance | undefined;
	readonly set?: Acceptance;
}

/**
 * What a visit has come to: a fold of its readings and acts. It is the same in whatever order they arrive, since each
 * sounder's record is made anew from its own events in their order of happening, and only its own.
 */
export interface VisitReport extends Written {
	readonly events: ReadonlyMap<string, VisitEvent>;
	readonly sounders: ReadonlyMap<SounderId, SounderRecord>;
	readonly place: number | null | undefined;
	readonly stage: ActOf<'stage'>['stage'] | undefined;
	/** Milliseconds since 1970; the first time, when several devices finished it. */
	readonly finishedAt: number | undefined;
	readonly arrival: Arrival;
	readonly closing: Closing;
	/** Sounders that beat by themselves, and those that wait for the end. */
	readonly marks: ReadonlyMap<Mark, ReadonlySet<SounderId>>;
	/** Intervals that were heard: of each coincidence the last one. */
	readonly heard: readonly At<HeardInterval>[];
	/** Reeds that were filed, and bends that were played, in order. */
	readonly filed: readonly ActOf<'filed'>[];
	readonly bent: readonly ActOf<'bent'>[];
	/** Tied frets that were moved, and wolf notes, in order. */
	readonly fretMoved: readonly ActOf<'fretMoved'>[];
	readonly wolves: readonly ActOf<'wolf'>[];
	/** Pins that were found by touch, in order. */
	readonly pins: readonly ActOf<'pinFound'>[];
	/** Chords that were played: of each the last time. */
	readonly chords: readonly At<HeardChord>[];
	/** Events of each sounder in order of happening. */
	readonly ofSounder: ReadonlyMap<SounderId, readonly VisitEvent[]>;
	/** Sounders that were taken by a reading, by its id: it may arrive after what rests on it. */
	readonly resting: ReadonlyMap<string, readonly SounderId[]>;
	/** Acts that concern the visit as a whole, in order. */
	readonly ofVisit: readonly Act[];
	/** What takes back or discards what, by the id of what falls. */
	readonly undoing: ReadonlyMap<string, readonly Act[]>;
}

export const EMPTY_REPORT: VisitReport = {
	events: new Map(),
	sounders: new Map(),
	plan: undefined,
	note: '',
	heads: { plan: [], note: [] },
	choices: [],
	place: undefined,
	stage: undefined,
	finishedAt: undefined,
	arrival: arrivalOf([]),
	closing: closingOf([]),
	marks: new Map(),
	heard: [],
	filed: [],
	bent: [],
	fretMoved: [],
	wolves: [],
	pins: [],
	chords: [],
	ofSounder: new Map(),
	resting: new Map(),
	ofVisit: [],
	undoing: new Map()
};

/**
 * Adds what happened; what is in the report already changes nothing, unless it is told with another time: then it moves
 * there, as what a device made does when the server has placed it.
 */
export function addToReport(report: VisitReport, added: readonly VisitEvent[]): VisitReport {
	const events = new Map(report.events);
	const ofSounder = new Map(report.ofSounder);
	const undoing = new Map(report.undoing);
	const resting = new Map(report.resting);
	let ofVisit = report.ofVisit;
	const touched = new Set<SounderId>();
	let undone = false;
	let changed = false;
	for (const event of added) {
		const before = events.get(event.id);
		if (before?.at === event.at) continue;
		changed = true;
		events.set(event.id, event);
		if (isReading(event) || event.do === 'accept')
			for (const sounder of event.sounders) {
				ofSounder.set(sounder, placed(ofSounder.get(sounder) ?? [], event, before));
				touched.add(sounder);
				if (!before && !isReading(event) && event.reading !== null)
					resting.set(event.reading, [...(resting.get(event.reading) ?? []), sounder]);
			}
		else if (event.do === 'takeBack' || event.do === 'discard') {
			const id = event.do === 'takeBack' ? event.act : event.reading;
			if (!before) undoing.set(id, [...(undoing.get(id) ?? []), event]);
			undone = true;
		} else ofVisit = placed(ofVisit, event, before);
		for (const sounder of resting.get(event.id) ?? []) touched.add(sounder);
	}
	if (!changed) return report;
	const next = { ...report, events, ofSounder, resting, ofVisit, undoing };
	// Taking back may touch anything, also what comes later; it is rare.
	const sounders = new Map(report.sounders);
	for (const sounder of undone ? ofSounder.keys() : touched) sounders.set(sounder, recordOf(next, sounder));
	return { ...next, sounders, ...(undone || ofVisit !== report.ofVisit ? wholeOf(next) : {}) };
}

/** The report of everything that happened, in any order. */
export function reportOf(events: readonly VisitEvent[]): VisitReport {
	return addToReport(EMPTY_REPORT, [...events].sort(compareHappened));
}

/** Into its place, out of the one it had; most come last. */
function placed<Event extends VisitEvent>(
	all: readonly Event[],
	event: Event,
	before: VisitEvent | undefined
): readonly Event[] {
	const events = before ? all.filter(({ id }) => id !== before.id) : all;
	let at = events.length;
	while (at > 0 && compareHappened(events[at - 1], event) > 0) at--;
	return [...events.slice(0, at), event, ...events.slice(at)];
}

/** Whether something was taken back or discarded, and that was not taken back itself. */
function isUndone({ undoing }: VisitReport, id: string, asked: ReadonlySet<string> = new Set()): boolean {
	if (asked.has(id)) return false;
	const further = new Set([...asked, id]);
	return (undoing.get(id) ?? []).some((act) => !isUndone({ undoing } as VisitReport, act.id, further));
}

function recordOf(report: VisitReport, sounder: SounderId): SounderRecord {
	let found: Figure | undefined;
	let left: Acceptance | undefined;
	let set: Acceptance | undefined;
	for (const event of report.ofSounder.get(sounder) ?? []) {
		if (isUndone(report, event.id)) continue;
		if (isReading(event)) {
			if (isUsable(event)) found ??= figureOf(event);
		} else if (event.do === 'accept' && event.purpose !== 'found' && event.purpose !== 'raised') {
			if (event.reading !== null && isUndone(report, event.reading)) continue;
			const { id, at, device, counter, purpose, pass, setTo, final, plan } = event;
			const rests = event.reading === null ? undefined : report.events.get(event.reading);
			const figure = rests && isReading(rests) && isUsable(rests) ? figureOf(rests) : undefined;
			left = { id, at, device, counter, purpose, pass, setTo, final, plan, figure };
			if (purpose === 'set') set = left;
		}
	}
	return { sounder, found, left, ...(set && { set }) };
}

function figureOf(reading: Reading): Figure {
	const { id, at, device, counter, target, deviation } = reading;
	return { id, at, device, counter, pitch: countedPitch(reading), target, deviation };
}

/**
 * Where a group stands by a reading. A register of its own octave sounds above its key, and a string over a capo above itself; both
 * are counted from the group's target.
 */
function countedPitch({ pitch, sounders, lasting, target, deviation }: Reading): number {
	if (lasting?.plucked) return target * 2 ** (deviation / 1200);
	return pitch / 2 ** octaveOfMember(memberOf(sounders[0]));
}

function wholeOf(
	report: VisitReport
): Written &
	Pick<
		VisitReport,
		| 'place'
		| 'stage'
		| 'finishedAt'
		| 'arrival'
		| 'closing'
		| 'marks'
		| 'heard'
		| 'filed'
		| 'bent'
		| 'fretMoved'
		| 'wolves'
		| 'pins'
		| 'chords'
	> {
	const standing = report.ofVisit.filter(({ id }) => !isUndone(report, id));
	const of = <Kind extends Act['do']>(kind: Kind) => standing.filter((act): act is ActOf<Kind> => act.do === kind);
	return {
		...writtenOf(standing),
		place: of('place').at(-1)?.group,
		stage: of('stage').at(-1)?.stage,
		finishedAt: of('finish')[0]?.at,
		arrival: arrivalOf(standing.filter(isArrivalAct)),
		closing: closingOf(standing.filter(isClosingAct)),
		marks: marksOf(of('mark')),
		heard: lastHeard(of('heard')),
		filed: of('filed'),
		bent: of('bent'),
		fretMoved: of('fretMoved'),
		wolves: of('wolf'),
		pins: of('pinFound'),
		chords: [...new Map(of('chord').map((each) => [`${each.root} ${each.kind}`, each])).values()]
	};
}

function marksOf(acts: readonly ActOf<'mark'>[]): VisitReport['marks'] {
	return new Map(
		MARKS.map((as) => {
			const marked = new Set<SounderId>();
			for (const act of acts)
				if (act.as === as) for (const sounder of act.sounders) marked[act.on ? 'add' : 'delete'](sounder);
			return [as, marked];
		})
	);
}

function lastHeard(all: readonly ActOf<'heard'>[]): VisitReport['heard'] {
	const key = ({ lower, upper, lowerPartial, upperPartial, breath }: HeardInterval) =>
		[lower, upper, lowerPartial, upperPartial, breath].join();
	return [...new Map(all.map((each) => [key(each), each])).values()];
}

/** Groups of a visit from its sounders: found as the first of them was, left as the last. */
export function groupRecords(sounders: Iterable<SounderRecord>): ReadonlyMap<number, GroupRecord> {
	const groups = new Map<number, GroupRecord>();
	for (const { sounder, found, left, set } of sounders) {
		const group = groupOf(sounder);
		const before = groups.get(group);
		groups.set(group, {
			group,
			found: !before?.found || (found && compareHappened(found, before.found) < 0) ? found : before.found,
			left: !before?.left || (left && compareHappened(left, before.left) > 0) ? left : before.left,
			// The sounder that leads comes first: it is what a proof is held against.
			...(before?.set || set ? { set: before?.set ?? set } : {})
		});
	}
	return groups;
}

/** Everything that happened and was not taken back or discarded, in order. */
export function standingEvents(report: VisitReport): readonly VisitEvent[] {
	return [...report.events.values()].filter(({ id }) => !isUndone(report, id)).sort(compareHappened);
}

/** Readings that were taken for a purpose, in order; what was discarded or taken back, and still is, does not count. */
export function readingsTakenFor(report: VisitReport, purpose: Purpose): readonly Reading[] {
	const standing = standingEvents(report);
	const taken = new Set(
		standing.flatMap((event) =>
			!isReading(event) && event.do === 'accept' && event.purpose === purpose ? (event.reading ?? []) : []
		)
	);
	return standing.filter((event): event is Reading => isReading(event) && taken.has(event.id));
}

/** The pitch that a group was left at, in Hz; undefined when it was not set, or by ear. */
export function pitchLeft(groups: ReadonlyMap<number, GroupRecord>, group: number): number | undefined {
	return groups.get(group)?.left?.figure?.pitch;
}
