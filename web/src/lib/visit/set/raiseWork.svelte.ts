import {
	eventsOfPasses,
	forNextRaise,
	isMates,
	learnFromTrial,
	noteToReadAgain,
	NOTHING_LEARNED,
	runningPass,
	stripFirst,
	trialNotes,
	triedNotes,
	type FoundNote,
	type GroupTarget,
	type LearnedCoupling,
	type NoteRecord,
	type PlannedRaise,
	type RaiseSchool,
	type RunningPass,
	type SettingStep,
	type TriedNote
} from '@fendrel/core';
import type { KeyboardVisit } from '../keyboardVisit.svelte';
import { aimedAbove } from './aim';
import type { RaiseChoice } from '$lib/settings/settings';
import { judge, notesToRaise, raiseChoiceOf } from '../plan/judgement';

/** A note that nobody has read since the pass before stands where it was thought to come to, within so many cents. */
const THOUGHT = 1.5;

/** A pass of a raise at work: what each note is set to, by what has been read so far. */
export class RaiseWork {
	readonly order: readonly SettingStep[];
	readonly pass: number;
	/** Middle strings come first, with the strip in; their mates by ear when it is out. */
	readonly isStripFirst: boolean;
	private readonly school: RaiseSchool;
	private readonly trial: readonly number[];
	private readonly first: readonly FoundNote[];
	/** The pass as it stands now. */
	readonly running: RunningPass = $derived.by(() => this.run());
	readonly raised: ReadonlySet<number> = $derived.by(() => new Set(this.running.settled.keys()));
	private readonly overs = $derived.by(() => new Map(this.running.next.map(({ note, over }) => [note, over])));
	/** Notes set in this pass keep what they were set to. */
	private readonly setTo = $derived.by(
		() => new Map(this.told.flatMap(({ kind, note, at }) => (kind === 'set' ? [[note, at] as const] : [])))
	);
	/** What was read and set in this pass. */
	private readonly told = $derived.by(
		() => eventsOfPasses(this.open.record.report, this.targetOf).get(this.pass) ?? []
	);
	/** A note that was set some time ago, to be read once more: how far has it sunk? */
	readonly again = $derived.by(() => (this.isTrial || this.isDone ? undefined : noteToReadAgain(this.told)));
	/** How many notes have been read again since they were set. */
	readonly readAgain = $derived.by(
		() =>
			new Set(
				this.told.flatMap(({ kind, note }, i) =>
					kind === 'read' && this.told.slice(0, i).some((each) => each.kind === 'set' && each.note === note)
						? [note]
						: []
				)
			).size
	);

	private constructor(
		private readonly open: KeyboardVisit,
		planned: PlannedRaise,
		choice: RaiseChoice,
		notes: readonly FoundNote[]
	) {
		this.pass = planned.pass;
		this.school = choice.school;
		this.isStripFirst = choice.unisons === 'stripFirst' && this.pass > 0;
		this.first = this.isStripFirst ? stripFirst(notes) : notes;
		const { lowest, highest } = open.instrument;
		this.trial = trialNotes(lowest, highest);
		const order = this.isTrial ? this.trial : notes.map(({ note }) => note);
		this.order = order.map((note) => ({ note, against: undefined, interval: undefined, section: 'raise' }));
	}

	/** @returns undefined when the plan has no raise, or nothing was read to plan one from */
	static of(open: KeyboardVisit): RaiseWork | undefined {
		const planned = open.record.report.plan?.raise;
		const judgement = planned && judge(open);
		if (!planned || !judgement) return undefined;
		const choice = raiseChoiceOf(open);
		return new RaiseWork(open, planned, choice, notesToRaise(open, judgement, choice));
	}

	private readonly targetOf = (note: number) => this.open.plan.targetOf(note)?.pitch;

	/** One string of one note an octave, before anything else is raised. */
	get isTrial(): boolean {
		return this.pass === 0;
	}

	/** What became of the strings that were raised on trial. */
	readonly tried: readonly TriedNote[] = $derived.by(() =>
		triedNotes(this.trial, eventsOfPasses(this.open.record.report, this.targetOf).get(0) ?? [])
	);

	private run(): RunningPass {
		const passes = eventsOfPasses(this.open.record.report, this.targetOf);
		const byNote = new Map(this.first.map((each) => [each.note, each]));
		let known: LearnedCoupling = learnFromTrial(this.open.about.learned ?? NOTHING_LEARNED, this.tried, (note) =>
			byNote.get(note)
		);
		const isTried = new Set(this.tried.flatMap(({ note, raised }) => (raised === undefined ? [] : [note])));
		let notes = this.first;
		for (let pass = 1; ; pass++) {
			// The string that was tried stands at pitch already: it says nothing of its mates.
			const told = (passes.get(pass) ?? []).filter(
				({ kind, note }) => pass > 1 || kind === 'set' || !isTried.has(note)
			);
			const running = runningPass(notes, told, known, this.school);
			if (pass >= this.pass) return running;
			known = forNextRaise(running.learned);
			const left = new Map([...running.settled, ...running.next.map((point) => [point.note, point.left] as const)]);
			notes = notes.map((each) => ({ ...each, found: left.get(each.note) ?? 0, error: THOUGHT }));
		}
	}

	isRaised(note: number): boolean {
		return this.isTrial
			? this.tried.some((each) => each.note === note && each.after !== undefined)
			: this.raised.has(note);
	}

	/** Whether a note has been set in this pass, or on trial. */
	hasSet(note: number): boolean {
		return this.setTo.has(note);
	}

	/** Cents above its target that a note is set to. */
	over(note: number): number {
		if (this.isTrial) return 0;
		return this.overs.get(note) ?? this.setTo.get(note) ?? 0;
	}

	/** A target as it is set in this pass. */
	aim(target: GroupTarget): GroupTarget {
		return aimedAbove(target, this.over(target.note));
	}

	/** A note's record as this pass has it: left where it was set, above its target. */
	records(notes: ReadonlyMap<number, NoteRecord>): ReadonlyMap<number, NoteRecord> {
		return new Map(
			this.order.map(({ note }) => [
				note,
				{
					note,
					found: notes.get(note)?.found,
					left: this.setTo.get(note),
					set: this.isTrial ? this.setTo.has(note) : this.raised.has(note)
				}
			])
		);
	}

	/** Where notes are thought to come to when all are set, in cents from their targets. */
	readonly left = $derived.by(() =>
		[
			...[...this.running.settled].map(([note, left]) => ({ note, left })),
			...this.running.next.map(({ note, left }) => ({ note, left }))
		].filter(({ note }) => !isMates(note))
	);
	readonly isDone = $derived.by(() => this.running.next.every(({ note }) => isMates(note)));
}
