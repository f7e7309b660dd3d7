import {
	cents,
	isByEar,
	isCertain,
	playedWith,
	REGISTER_OCTAVE,
	standingsAbout,
	summariseVisit,
	USUAL_ORDER,
	type Advice,
	type GroupTarget,
	type Hz,
	type Instructions,
	type ListenerEvent,
	type ReadStrike,
	type SettingStep,
	type SounderChoice,
	type StringReading,
	type UnisonAnalysis
} from '@fendrel/core';
import type { Asked } from '../asked';
import { PASSING, REFUSALS } from '../refusals';
import { aimedAbove, octavesAbove } from './aim';
import { Strikes } from './strikes.svelte';
import { knownStandings } from './knownStandings';
import { isTogether } from './unisonWork';
import { OtherKeys } from './otherKeys.svelte';
import { acceptStrings, storeStrike } from './keeping';
import type { SettingOptions } from './settingOptions';
import { fromTarget, strikeRead } from './strikeRead';
import { Together } from './together.svelte';
import { WorkOrder } from './workOrder.svelte';

/** Something to tell that is not a figure; `heard` is the note of a wrong key. */
export interface Notice {
	readonly text: string;
	readonly heard?: number;
	/** It goes by itself. */
	readonly passes?: boolean;
}

const INSTRUCTION = {
	raise: 'raise',
	lower: 'lower',
	'strike again': 'again',
	'strike firmer': 'firmer',
	'too unsure': 'unsure',
	holds: 'holds'
} as const satisfies Record<Advice, keyof Instructions>;

/** How near a note is set in a raise, in cents: it moves again anyway. */
export const RAISED_WITHIN = cents(2);
/** "Holds" stays readable this long before the next note comes by itself. */
const HOLD_MS = 1100;

/** The work in Set: which note is due, what its strikes said, what has been accepted. */
export class Setting<Body> {
	private readonly work: WorkOrder<Body>;
	/** What is left sounding. */
	open = $state.raw() as SounderChoice;
	readonly strikes: Strikes;
	sounding = $state(false);
	/** Strikes that have been read or refused so far. */
	told = $state(0);
	/** Those of them that have been read. */
	read = $state(0);
	notice = $state.raw<Notice | undefined>();
	readonly together: Together<Body>;
	/** A strike that may have been of two keys. */
	asked = $state.raw<Asked | undefined>();

	readonly choices = $derived.by(() => this.options.family.choices(this.options.body, this.step.note));
	readonly target = $derived.by(() => this.aimedAt(this.step.note)!);
	/** Semitones that what is left sounding lies above its key: a register of its own octave. */
	readonly above = $derived.by(() => REGISTER_OCTAVE * (this.open.octave ?? 0));
	/** Where it is to sound: the record counts from its key's target, in cents. */
	readonly soundsAt: GroupTarget = $derived.by(() => octavesAbove(this.target, this.open.octave ?? 0));
	/** What is to be done now: by the last strike that was read, or by where a strike stands that still sounds. */
	readonly instruction: keyof Instructions = $derived.by(() => {
		const { now, shown, advice } = this.strikes;
		if (now === undefined) return this.isDone(this.step) ? 'check' : 'begin';
		if (shown.at(-1)?.read) return INSTRUCTION[advice];
		return Math.abs(now) <= this.options.tolerance / 2 ? 'again' : now < 0 ? 'raise' : 'lower';
	});
	readonly summary = $derived.by(() =>
		summariseVisit(
			this.options.record.groups,
			this.options.family.groups(this.options.body),
			(group) => this.options.plan.targetOf(group)?.pitch
		)
	);

	/** What lists and the strip show of each note. */
	readonly records = $derived.by(() => this.options.raise?.records(this.summary.notes) ?? this.summary.notes);

	/** A note to touch stands where it should; whether its strings agree is being looked at. */
	private passes = false;
	readonly others = new OtherKeys();
	/** The reading that the last strike was stored as. */
	private last: string | undefined;
	/** Asked to keep a note whose strike has not been read yet: it is kept with its figure, a moment later. */
	private keepWhenRead = false;
	private advance: ReturnType<typeof setTimeout> | undefined;

	constructor(private readonly options: SettingOptions<Body>) {
		this.together = new Together(options);
		this.work = new WorkOrder(options, this.together.unisons, (note) => this.isSet(note));
		this.strikes = options.raise ? new Strikes(RAISED_WITHIN, true) : new Strikes(options.tolerance);
		const at = this.work.indexOf(options.record.report.place);
		this.goToIndex(at >= 0 ? at : Math.max(0, this.work.firstDue));
	}

	get order(): readonly SettingStep[] {
		return this.work.steps;
	}

	get index(): number {
		return this.work.index;
	}

	get step(): SettingStep {
		return this.work.step;
	}

	isDone(step: SettingStep): boolean {
		return this.work.isDone(step);
	}

	isSet(note: number): boolean {
		const { raise } = this.options;
		return raise ? raise.isRaised(note) : (this.summary.notes.get(note)?.set ?? false);
	}

	hear(events: readonly ListenerEvent[]): void {
		for (const event of events) this.hearOne(event);
	}

	private hearOne(event: ListenerEvent): void {
		if (event.kind === 'strike') {
			this.sounding = true;
			this.options.onSounding?.(true);
			// Nobody said which key it was: it stays out of the picture.
			if (this.asked) this.strikes.drop();
			this.notice = this.asked = undefined;
			this.strikes.begin();
		} else if (event.kind === 'settling' && event.note === this.step.note + this.above) {
			this.strikes.follow(event.since, fromTarget(this.soundsAt, event.pitch, event.listened));
		} else if (event.kind === 'reading') {
			this.told++;
			this.read++;
			const { reading, or } = event;
			if (or === undefined) this.take(reading);
			else this.asked = { reading, notes: [reading.note - this.above, or - this.above] };
		} else if (event.kind === 'refused') {
			this.told++;
			this.notice = { text: REFUSALS[event.why], passes: PASSING.has(event.why) };
			this.strikes.drop();
			this.keepWhenRead = false;
		} else if (event.kind === 'ended') {
			this.sounding = false;
			this.keepWhenRead = false;
			this.options.onSounding?.(false);
		}
	}

	/** Says which key it was that was asked about. */
	answer(note: number): void {
		const { asked } = this;
		this.asked = undefined;
		if (asked) this.take({ ...asked.reading, note: note + this.above });
	}

	/** What is told to whoever listens: the note that is due, and where it and its neighbours stand. */
	private expectDue(): void {
		const { note } = this.step;
		const { above, soundsAt, options } = this;
		const ground = { notes: this.summary.notes, over: (each: number) => options.raise?.over(each) ?? 0 };
		const known = knownStandings(note, ground, this.strikes.figures.at(-1));
		// Of a register of its own octave nothing is known of the neighbours.
		const about = above ? undefined : standingsAbout(note, (each) => this.targetOf(each), known);
		options.onDue({ note: note + above, pitch: soundsAt.pitch, ...(about && { about }) }, note);
	}

	/** Notes that are struck to test the due one. */
	private isTest = (note: number): boolean => {
		const { step } = this;
		return playedWith(
			step,
			this.options.bearing?.steps.find((each) => each.note === step.note)
		).has(note);
	};

	/** Another note than the due one: struck twice it is chosen, unless it belongs to the step, or the due one is locked. */
	private takeOther(note: number): void {
		this.strikes.drop();
		const [due, name] = [this.nameOf(this.step.note), this.nameOf(note)];
		const isMeant = this.others.isMeant(note, this.isTest);
		if (!isMeant || this.work.indexOf(note) < 0) {
			this.notice = { text: `That was ${name}; ${due} is due.`, heard: note };
			return;
		}
		const from = this.index;
		this.goTo(note);
		this.others.cameFrom = from;
		this.notice = { text: `${name} was struck twice: it is due now. Back (left pedal) returns to ${due}.` };
	}

	private take(reading: StringReading): void {
		if (this.above && reading.note === this.step.note) {
			this.strikes.drop();
			const name = this.nameOf(this.step.note);
			this.notice = { text: `${name} sounded at its own pitch: draw the ${this.open.label} alone.`, passes: true };
			return;
		}
		if (reading.note !== this.step.note + this.above) return this.takeOther(reading.note - this.above);
		this.others.clear();
		const read = strikeRead(reading, this.soundsAt, this.options.habits());
		this.strikes.read(read);
		this.options.onRead?.(this.strikes.shown.flatMap((strike) => strike.read ?? []));
		this.last = storeStrike(this.options, reading, read, this.open.sounders, this.target);
		this.expectDue();
		if (this.keepWhenRead) {
			this.keep();
			return;
		}
		clearTimeout(this.advance);
		// Several strings are judged by what lies between them: the closer look says that.
		if (this.isUnison || this.together.pair) return;
		if (this.isInPlace(read)) return this.pass();
		// Struck again in a raise a note tells what it has lost; it is not set anew.
		const isAgain = this.options.raise?.hasSet(this.step.note) ?? false;
		if (isAgain) this.advance = setTimeout(() => this.goToDue(), HOLD_MS);
		// What is set by ear is kept by whoever hears it, never by the figure.
		else if (this.strikes.advice === 'holds' && !this.isByEar) this.acceptAndGoOn();
	}

	/** Touched up, a note that stands within the tolerance at its first strike is left as it is. */
	private isInPlace({ off, error }: ReadStrike): boolean {
		const { touch, tolerance } = this.options;
		return touch !== undefined && this.strikes.figures.length === 1 && Math.abs(off) <= tolerance && isCertain(error);
	}

	/** Its strings together, if several sound, say whether it is left. */
	private pass(): void {
		this.passes = this.open.sounders.length > 1;
		if (this.passes) return;
		const tolerance = `${this.options.tolerance} ${this.options.tolerance === 1 ? 'cent' : 'cents'}`;
		this.notice = { text: `${this.nameOf(this.step.note)} stands within ${tolerance}: it is left.`, passes: true };
		this.acceptAndGoOn();
	}

	/** The due step is set by ear: it shows no cents. */
	get isByEar(): boolean {
		return isByEar(this.step, this.options.order ?? USUAL_ORDER);
	}

	private acceptAndGoOn(): void {
		this.accept();
		clearTimeout(this.advance);
		this.advance = setTimeout(() => this.onward(), HOLD_MS);
	}

	/** Several strings of a unison step sound. */
	get isUnison(): boolean {
		return this.step.unison === true && this.open.sounders.length > 1;
	}

	/** The last strike was looked at closer: several strings that lie together are taken. */
	hearUnison(note: number, analysis: UnisonAnalysis): void {
		const off = this.strikes.figures.at(-1);
		const isOfThis = note === this.step.note + this.above && this.last !== undefined && off !== undefined;
		if (isOfThis && this.passes && isTogether(this.together.unisons.judge(note, analysis))) this.acceptAndGoOn();
		if (!isOfThis || !(this.isUnison || this.together.pair)) return;
		if (this.together.hear(note, analysis, off, this.options.tolerance / 2)) this.acceptAndGoOn();
	}

	/** Two strings of the due note become their own ruler; once more: back to one. */
	byPair(): void {
		this.open = this.together.turnPair(this.step.note) ?? this.choices[0];
		this.clearStrikes();
	}

	/** To the note's next string, or to the next step. */
	private onward(): void {
		if (this.step.unison && !this.isDone(this.step))
			this.leaveOpen(this.together.unisons.nextChoice(this.step, this.choices));
		else this.next();
	}

	/** A unison that will not come clean waits for the end. */
	later(): void {
		this.together.unisons.later(this.step.note);
		this.next();
	}

	targetOf(group: number): Hz | undefined {
		return this.aimedAt(group)?.pitch;
	}

	/** What a note is set to now: its target, or in a raise beyond it. */
	private aimedAt(group: number): GroupTarget | undefined {
		const target = this.options.plan.targetOf(group);
		if (!target) return undefined;
		const above = this.options.touch?.get(group);
		return this.options.raise?.aim(target) ?? (above === undefined ? target : aimedAbove(target, above));
	}

	nameOf(group: number): string {
		return this.options.family.groupName(group);
	}

	/** Takes what is left sounding as set: by the last reading, or by ear. */
	private accept(): void {
		acceptStrings(this.options, this.open.sounders, this.target, this.last ?? null);
	}

	/** Keeps the note as it stands: with its last figure, or by ear alone. */
	keep(): void {
		// Whoever keeps the due note says that it was the one that sounded.
		if (this.asked) {
			this.keepWhenRead = true;
			return this.answer(this.step.note);
		}
		const { current } = this.strikes;
		const unread = this.sounding && current !== undefined && current.figure === undefined;
		this.keepWhenRead = unread;
		if (unread) return;
		this.accept();
		this.onward();
	}

	next(): void {
		this.goOnTo(this.work.following);
	}

	/** To the first note that is not set; in a pass that is done nothing is due. */
	private goToDue(): void {
		this.goOnTo(this.work.firstDue);
	}

	private goOnTo(index: number): void {
		if (index >= 0) this.goToIndex(index);
		else clearTimeout(this.advance);
	}

	previous(): void {
		if (this.others.cameFrom !== undefined) this.goToIndex(this.others.cameFrom);
		else if (this.index > 0) this.goToIndex(this.index - 1);
	}

	goTo(note: number): void {
		const index = this.work.indexOf(note);
		if (index >= 0) this.goToIndex(index);
	}

	leaveOpen(choice: SounderChoice): void {
		this.together.clear();
		this.open = choice;
		this.clearStrikes();
		this.expectDue();
	}

	/** Strikes that were read otherwise do not stand beside those to come. */
	startAfresh(): void {
		this.clearStrikes();
		this.expectDue();
	}

	private goToIndex(index: number): void {
		this.work.index = index;
		this.others.clear();
		this.together.clear();
		this.open = this.step.unison
			? this.together.unisons.nextChoice(this.step, this.choices)
			: this.work.isLed(this.step)
				? this.choices[0]
				: (this.choices.find(({ id }) => id === this.open?.id) ?? this.choices[0]);
		this.notice = this.asked = undefined;
		this.clearStrikes();
		this.expectDue();
	}

	private clearStrikes(): void {
		this.passes = false;
		clearTimeout(this.advance);
		this.together.verdict = undefined;
		this.strikes.clear();
		this.last = undefined;
		this.keepWhenRead = false;
	}

	stop(): void {
		clearTimeout(this.advance);
	}
}
