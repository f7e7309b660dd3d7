import {
	cents,
	centsBetween,
	contradicted,
	foundTemperament,
	groupOf,
	habitAt,
	hz,
	INTERVALS,
	inversions,
	leastWork,
	measuredStaircases,
	measuredTreads,
	offsetsFromEqual,
	provedNotes,
	unisonCents,
	type FoundTemperament,
	type Inversion,
	type MeasuredNotes,
	type MeasuredTread,
	type ProofJob,
	type StaircaseName,
	type VisitReport
} from '@fendrel/core';
import { briefOf } from '../brief';
import type { KeyboardVisit } from '../keyboardVisit.svelte';
import { settingsOf } from '../workshopSettings';
import { walkedNotes } from '../sound/found';

type Ground = Pick<KeyboardVisit, 'record' | 'plan' | 'summary' | 'visit' | 'about' | 'temperament'>;
type Heard = VisitReport['heard'][number];

/** Types of octaves that are proved. */
export const OCTAVE_TYPES = ['octave', 'octave42', 'octave63'] as const;
export type OctaveType = (typeof OCTAVE_TYPES)[number];

/** What a string errs by once it was left, besides its reading, in cents: it settles. */
const SETTLED = 0.35;
/** Rates up to so many errors may lie on either side of pure. */
const EITHER_SIDE = 2;

/** What is known of an instrument once it is set: notes, intervals, and what would make it better. */
export interface Proved {
	readonly measured: MeasuredNotes;
	/** Intervals that were heard and still stand as they were. */
	readonly heard: readonly Heard[];
	/** Chords that were played since their notes were set. */
	readonly chords: VisitReport['chords'];
	/** Intervals that rise step by step, and those that rest. */
	readonly staircases: ReadonlyMap<StaircaseName | 'tenth', readonly MeasuredTread[]>;
	/** Octaves by the coincidence that they are judged at. */
	readonly octaves: ReadonlyMap<OctaveType, readonly MeasuredTread[]>;
	readonly inversions: readonly Inversion[];
	readonly temperament: FoundTemperament | undefined;
	/** Notes that were struck again after they were set: cents since then. */
	readonly drifts: readonly { readonly note: number; readonly drift: number }[];
	/** Notes whose strings were heard together: cents from the lowest to the highest, and how far they may lie apart. */
	/** Cents that the strings of a note may lie apart. */
	readonly unisonLimit: (note: number) => number;
	readonly unisons: readonly { readonly note: number; readonly apart: number; readonly limit: number }[];
	readonly jobs: readonly ProofJob[];
}

/** Whether none of these notes was set since then. */
const stoodSince = ({ record }: Pick<Ground, 'record'>, at: number, notes: readonly number[]): boolean =>
	notes.every((note) => (record.groups.get(note)?.set?.at ?? -Infinity) < at);

export function provedOf(open: Ground): Proved {
	const { record, plan, summary, visit, about, temperament } = open;
	const intended = (note: number) => plan.targetOf(note)!.string;
	const read = [...summary.notes.values()].flatMap(({ note, found, left, set }) => {
		const deviation = left ?? (set ? undefined : found);
		return deviation === undefined || !plan.targetOf(note)
			? []
			: [{ note, deviation: cents(deviation), error: cents(SETTLED) }];
	});
	const exists = ({ lower, upper }: Heard) => plan.targetOf(lower) !== undefined && plan.targetOf(upper) !== undefined;
	const heard = record.report.heard.filter(
		(each) => exists(each) && stoodSince(open, each.at, [each.lower, each.upper])
	);
	const measured = provedNotes(read, heard.filter(tellsSize), intended);
	const staircases = new Map<StaircaseName | 'tenth', readonly MeasuredTread[]>([
		...measuredStaircases(measured, intended),
		['tenth', measuredTreads(measured, intended, INTERVALS.tenth)]
	]);
	const near = settingsOf(open).purposes[briefOf(open).purpose];
	const drifts = [...record.groups.values()].flatMap(({ group, set, left }) => {
		const { figure: before } = set ?? {};
		const { figure: now } = left ?? {};
		if (left?.purpose !== 'proved' || !before || !now) return [];
		return [{ note: group, drift: centsBetween(hz(before.pitch), hz(now.pitch)) }];
	});
	// A unison that was set again since is another one.
	const standing = record
		.readingsFor('proved')
		.filter(({ at, sounders }) => stoodSince(open, at, [groupOf(sounders[0])]));
	const walked = walkedNotes(standing);
	const unisonLimit = (note: number) =>
		unisonCents(near.unison, Math.max(1, habitAt(about.habits, note).partial) * plan.targetOf(note)!.pitch);
	const unisons = [...walked].flatMap(([note, { spread }]) => {
		if (spread === undefined || !plan.targetOf(note)) return [];
		return [{ note, apart: spread === 'none' ? 0 : spread.cents, limit: unisonLimit(note) }];
	});
	const chords = record.report.chords.filter(({ at, notes }) =>
		stoodSince(
			open,
			at,
			notes.map(({ note }) => note)
		)
	);
	const levels = read.map(({ note, deviation, error }) => ({ note, level: deviation, error }));
	const minutes = settingsOf(open).minutes.note;
	const tolerance = cents(visit.tolerance);
	const weights = new Map(record.report.arrival.programme?.weights);
	const weightOf = (note: number) => weights.get(note) ?? 1;
	return {
		...{ measured, heard, chords, unisonLimit, staircases, drifts, unisons },
		octaves: new Map(OCTAVE_TYPES.map((type) => [type, measuredTreads(measured, intended, INTERVALS[type])])),
		inversions: inversions(staircases, measured, contradicted(read, measured)),
		temperament: about.temperaments?.length
			? foundTemperament(levels, offsetsFromEqual(temperament), about.temperaments)
			: undefined,
		jobs: leastWork({ measured, tolerance, unisons, drifts, minutes, weightOf })
	};
}

/** A rate whose side of pure nobody knows says nothing of the notes, unless it is nearly still. */
function tellsSize({ sense, rate, error }: Heard): boolean {
	return sense !== null || Math.abs(rate) < EITHER_SIDE * error;
}

/** What was heard of an interval. */
export function heardAs(
	heard: readonly Heard[],
	{ lower, upper, kind }: Pick<MeasuredTread, 'lower' | 'upper' | 'kind'>
): Heard | undefined {
	return heard.find(
		(each) =>
			each.lower === lower &&
			each.upper === upper &&
			each.lowerPartial === kind.lowerPartial &&
			each.upperPartial === kind.upperPartial
	);
}

/** Notes that are struck once more after everything is set: some of each section; `left` of them have not been yet. */
export function secondRound(
	{ record }: Pick<Ground, 'record'>,
	most = 12
): { readonly notes: readonly number[]; readonly left: readonly number[] } {
	const set = [...record.groups.values()]
		.filter((each) => each.set?.figure !== undefined)
		.sort((a, b) => a.group - b.group);
	const step = Math.max(1, set.length / most);
	const chosen = Array.from({ length: Math.min(most, set.length) }, (_, i) => set[Math.floor(i * step)]);
	return {
		notes: chosen.map(({ group }) => group),
		left: chosen.filter(({ left }) => left?.purpose !== 'proved').map(({ group }) => group)
	};
}
