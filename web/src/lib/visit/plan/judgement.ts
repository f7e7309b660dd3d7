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
	isMates,
	leastMovement,
	NOTHING_LEARNED,
	partsOf,
	pinsToMove,
	plannedPasses,
	pitchPrice,
	raiseCost,
	raiseOrder,
	sectionAt,
	spotTargets,
	stringsAt,
	stripFirst,
	TEMPERAMENT_OCTAVE,
	TOP_FROM,
	unisonCents,
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
	type RaiseCost,
	type RaiseOrder,
	type RaiseSchool,
	type SurveyedNote,
	type Thresholds,
	type TouchedNote,
	type Verdict
} from '@fendrel/core';
import type { RaiseChoice } from '$lib/settings/settings';
import type { KeyboardVisit } from '../keyboardVisit.svelte';
import { briefOf } from '../brief';
import { settingsOf } from '../workshopSettings';
import { seasonOf, type Season } from '../season';
import { foundNotes, walkedNotes } from '../sound/found';

/** The raise that the plan took, or the workshop's usual one. */
export function raiseChoiceOf(open: Pick<KeyboardVisit, 'record' | 'about'>): RaiseChoice {
	const { raise } = open.record.report.plan ?? {};
	if (!raise) return settingsOf(open).raise;
	const { school, order, cap, own, unisons } = raise;
	return { school: school as RaiseSchool, order: order as RaiseOrder, cap, own, unisons };
}

/** What the survey and the look on arrival say of an instrument, against the plan. */
export interface Judgement {
	readonly near: NearEnough & Thresholds;
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
	/** Notes that are touched when the rest stays: what spot work and touching up name; else what stands out. */
	readonly touched: readonly TouchedNote[];
	/** What the season has done to the worst section. */
	readonly season: Season | undefined;
}

type Ground = Pick<KeyboardVisit, 'instrument' | 'visit' | 'plan' | 'record' | 'about' | 'outOfLine'>;

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
	const near = settingsOf(ground).purposes[briefOf(ground).purpose];
	const breakNote = breakOf(stringing);
	const found = foundStates(ground, near);
	const state = instrumentState(found, { lowest, highest, breakNote }, TEMPERAMENT_OCTAVE);
	const gates = gatesOf(partsOf(kind), arrival);
	const barred = barring(gates);
	const said = verdict(state, near, near, barred !== undefined);
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
	const pins = pinsToMove(notes, near.tolerance);
	const isSpot = said.kind === 'spot' || said.kind === 'touchUp';
	const { id: worst, level } = said.worst;
	const fromUsual = level + centsBetween(hz(instrument.usualA4), hz(ground.visit.a4));
	return {
		...{ near, state, gates, barred, notes, pins },
		touched: spotTargets(isSpot ? said.notes : said.strays, state.strays.neighbourhoods, pins.notes, near.tolerance),
		season: seasonOf(about.history ?? [], worst, fromUsual, arrival.climate, near.touchUp),
		verdict: said,
		read: read.length,
		least: leastMovement(read, notes.length),
		fewest: fewestStrings(notes, near.tolerance),
		price: pitchPrice(notes, 0, near.tolerance)
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
	{ order, cap, own }: Pick<RaiseChoice, 'order' | 'cap' | 'own'>
): readonly FoundNote[] {
	const { stringing } = instrument;
	const { parts } = record.report.arrival;
	const errors = new Map(state.notes.map(({ note, error }) => [note, error]));
	const wires = new Map((about.wires ?? []).map(({ note, data }) => [note, data]));
	const byNote = new Map(notes.map((each) => [each.note, each]));
	const partOf = (note: number) => (sectionAt(stringing, note).wound ? 'bass' : note < 60 ? 'tenor' : 'treble');
	return raiseOrder(order, [...byNote.keys()], own).map((note): FoundNote => {
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

/** The same as a pass takes them: whole, or middle strings first. */
function unitsOf(ground: Ground, judgement: Judgement, choice: RaiseChoice): readonly FoundNote[] {
	const notes = notesToRaise(ground, judgement, choice);
	return choice.unisons === 'stripFirst' ? stripFirst(notes) : notes;
}

export function passesOf(ground: Ground, judgement: Judgement, choice: RaiseChoice): readonly PlannedPass[] {
	const passes = plannedPasses(
		choice.school,
		unitsOf(ground, judgement, choice),
		ground.about.learned ?? NOTHING_LEARNED
	);
	// Mates are brought to their middle string by ear: nothing is aimed at there.
	return passes.map(({ points, held }) => ({ points: points.filter(({ note }) => !isMates(note)), held }));
}

/** What a choice costs: how far strings are set over, and what is left on a piano that yields more than was thought. */
export function costOf(ground: Ground, judgement: Judgement, choice: RaiseChoice): RaiseCost {
	return raiseCost(choice.school, unitsOf(ground, judgement, choice), ground.about.learned ?? NOTHING_LEARNED);
}
