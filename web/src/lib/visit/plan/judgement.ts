import {
	barring,
	boundOf,
	breakOf,
	centsBetween,
	everyLevel,
	fewestStrings,
	gatesOf,
	habitAt,
	hz,
	instrumentState,
	leastMovement,
	NOTHING_LEARNED,
	partsOf,
	pinsToMove,
	plannedPasses,
	pitchPrice,
	raiseOrder,
	sectionAt,
	stringsAt,
	TEMPERAMENT_OCTAVE,
	TOP_FROM,
	unisonCents,
	USUAL_CAP,
	USUAL_NEAR_ENOUGH,
	USUAL_THRESHOLDS,
	verdict,
	WIRE,
	type FoundNote,
	type FoundState,
	type Gate,
	type InstrumentState,
	type LeastMovement,
	type NearEnough,
	type PitchPrice,
	type PlannedPass,
	type PricedNote,
	type RaiseOrder,
	type RaiseSchool,
	type SurveyedNote,
	type Verdict
} from '@fendrel/core';
import type { OpenVisit } from '../openVisit.svelte';
import { briefOf } from '../brief';
import { foundNotes, walkedNotes } from '../sound/found';

/** How a raise is to be made. */
export interface RaiseChoice {
	readonly school: RaiseSchool;
	readonly order: RaiseOrder;
	readonly cap: number;
}
export const USUAL_RAISE: RaiseChoice = { school: 'coupled', order: 'bassFirst', cap: USUAL_CAP };

/** The raise that the plan took, or the usual one. */
export function raiseChoiceOf({ record }: Pick<OpenVisit, 'record'>): RaiseChoice {
	const { raise } = record.report.plan ?? {};
	if (!raise) return USUAL_RAISE;
	const { school, order, cap } = raise;
	return { school: school as RaiseSchool, order: order as RaiseOrder, cap };
}

/** What the survey and the look on arrival say of an instrument, against the plan. */
export interface Judgement {
	readonly near: NearEnough;
	readonly state: InstrumentState;
	readonly verdict: Verdict;
	readonly gates: readonly Gate[];
	/** What forbids to add tension. */
	readonly barred: Gate | undefined;
	/** Every note with what stands for its strings; cents from the plan. */
	readonly notes: readonly PricedNote[];
	/** How many notes were read. */
	readonly read: number;
	readonly least: LeastMovement;
	readonly fewest: PitchPrice;
	/** What the plan's own pitch costs. */
	readonly price: PitchPrice;
	readonly pins: ReturnType<typeof pinsToMove>;
}

type Ground = Pick<OpenVisit, 'instrument' | 'visit' | 'plan' | 'record' | 'about' | 'outOfLine'>;

/** Notes as they were found, in cents from the plan. */
function foundStates({ plan, record, outOfLine, about }: Ground, near: NearEnough): FoundState[] {
	const readings = record.readingsFor('found');
	const found = foundNotes(readings, outOfLine);
	// Whoever mutes a note afterwards does not unmake what its open strings told.
	const walked = walkedNotes(readings);
	return [...found.values()].flatMap((each) => {
		const target = plan.targetOf(each.note)?.pitch;
		if (target === undefined) return [];
		const { partial } = habitAt(about.habits, each.note);
		return [
			{
				note: each.note,
				level: centsBetween(target, each.pitch),
				error: each.pitchError,
				...spreadOf(walked.get(each.note) ?? each),
				unison: unisonCents(near.unison, Math.max(1, partial) * target),
				hasFalseBeat: each.falseBeat !== undefined && each.falseBeat !== 'none'
			}
		];
	});
}

function spreadOf({ spread }: SurveyedNote): { readonly spread?: number } {
	if (spread === undefined) return {};
	return { spread: spread === 'none' ? 0 : spread.cents };
}

/** What stands for the strings of a note: as far apart as its open unison said, all alike where nobody heard it. */
function stringsOf(level: number, count: number, spread = 0): readonly number[] {
	if (count === 1) return [level];
	return Array.from({ length: count }, (_, i) => level + spread * (i / (count - 1) - 0.5));
}

/** @returns undefined while nothing has been read */
export function judge(ground: Ground): Judgement | undefined {
	const { instrument, plan, record, about } = ground;
	const { lowest, highest, stringing, kind } = instrument;
	const { arrival } = record.report;
	const near = USUAL_NEAR_ENOUGH[briefOf(ground).purpose];
	const breakNote = breakOf(stringing);
	const found = foundStates(ground, near);
	const state = instrumentState(found, { lowest, highest, breakNote }, TEMPERAMENT_OCTAVE);
	const gates = gatesOf(partsOf(kind), arrival);
	const barred = barring(gates);
	const said = verdict(state, near, USUAL_THRESHOLDS, barred !== undefined);
	if (!said) return undefined;
	const byNote = new Map(found.map((each) => [each.note, each]));
	const scatter = Number.isNaN(state.strays.scatter) ? undefined : state.strays.scatter;
	const notes = everyLevel(found, { lowest, highest, breakNote }, scatter).map(({ note, level }): PricedNote => {
		const { partial } = habitAt(about.habits, note);
		const pitch = plan.targetOf(note)!.pitch;
		return {
			...{ note, level },
			strings: stringsOf(level, stringsAt(stringing, note), byNote.get(note)?.spread),
			unison: unisonCents(near.unison, Math.max(1, partial) * pitch)
		};
	});
	const read = notes.filter(({ note }) => byNote.has(note));
	return {
		...{ near, state, gates, barred, notes },
		verdict: said,
		read: read.length,
		least: leastMovement(read, notes.length),
		fewest: fewestStrings(notes, near.tolerance),
		price: pitchPrice(notes, 0, near.tolerance),
		pins: pinsToMove(notes, near.tolerance)
	};
}

/** Whether a verdict asks for a pass before the tuning. */
export function asksForRaise({ kind }: Pick<Verdict, 'kind'>): boolean {
	return kind === 'correct' || kind === 'move' || kind === 'moveAndReturn';
}

/** Wire that somebody has judged rusty: it is not strained as far. */
const RUSTY: ReadonlySet<string> = new Set(['lightRust', 'heavyRust']);

/** Every note as a raise takes it, in the order of work; cents from the plan. */
export function notesToRaise(
	{ instrument, plan, record, about }: Ground,
	{ notes, state }: Pick<Judgement, 'notes' | 'state'>,
	{ order, cap }: Pick<RaiseChoice, 'order' | 'cap'>
): readonly FoundNote[] {
	const { stringing } = instrument;
	const { parts } = record.report.arrival;
	const errors = new Map(state.notes.map(({ note, error }) => [note, error]));
	const wires = new Map((about.wires ?? []).map(({ note, data }) => [note, data]));
	const byNote = new Map(notes.map((each) => [each.note, each]));
	const partOf = (note: number) => (sectionAt(stringing, note).wound ? 'bass' : note < 60 ? 'tenor' : 'treble');
	return raiseOrder(order, [...byNote.keys()]).map((note): FoundNote => {
		const { wound, strings } = sectionAt(stringing, note);
		const wire = wires.get(note);
		const isOldWire = RUSTY.has(parts.get(partOf(note))?.grade ?? '');
		const limits = { cap, isOldWire, share: WIRE[wire?.material ?? 'steel'].warnAt };
		return {
			...{ note, strings, row: wound ? 'wound' : note >= TOP_FROM ? 'top' : 'plain' },
			found: byNote.get(note)!.level,
			error: errors.get(note) ?? Math.max(1, state.strays.scatter || 1),
			target: 0,
			bound: boundOf(limits, hz(plan.targetOf(note)!.pitch), wire)
		};
	});
}

export function passesOf(ground: Ground, judgement: Judgement, choice: RaiseChoice): readonly PlannedPass[] {
	const notes = notesToRaise(ground, judgement, choice);
	return plannedPasses(choice.school, notes, ground.about.learned ?? NOTHING_LEARNED);
}
