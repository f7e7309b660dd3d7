import {
	cents,
	centsBetween,
	groupOf,
	hzAbove,
	standingsAbout,
	type Cents,
	type Due,
	type Hz,
	type KnownStanding,
	type ListenerEvent,
	type Reading,
	type SounderChoice,
	type StringReading,
	type UnisonAnalysis
} from '@fendrel/core';
import { Listening } from '$lib/audio/listening.svelte';
import type { ListeningSetup } from '$lib/tuning/listeningSetup';
import { LastStrike } from '$lib/listening/lastStrike.svelte';
import type { Asked } from '../asked';
import { PASSING, REFUSALS } from '../refusals';
import type { VisitRecord } from '../visitRecord.svelte';
import { listenedTo, type WorkGround } from '../workGround';
import { foundDetails, foundNotes, walkedNotes } from './found';
import type { SoundAction } from './soundKeys';
import { SurveyChoice, type SurveyGround } from './surveyChoice.svelte';
import type { TypedLevel } from './typedLevels';

export interface SurveyOptions<Body> extends WorkGround<Body>, Pick<SurveyGround, 'breakNote' | 'odd'> {
	/** Notes whose B does not go with their neighbours', and is not confirmed. */
	readonly outOfLine: () => ReadonlySet<number>;
}

const STRENGTH = 0.8;
/** What is measured elsewhere is told in tenths, by who knows what: as sure as a reading that one goes by. */
const TYPED_ERROR = cents(0.25);

/** A strike that was read and is not kept yet. */
interface Pending {
	readonly reading: StringReading;
	readonly strings: SounderChoice;
}

/** Sound at work: which note is due, what its strikes told, what is kept. */
export class Survey<Body> {
	readonly record: VisitRecord;
	readonly listening: Listening;
	/** Opens no sound of its own in Sound: nothing is played here. */
	readonly last = new LastStrike((playing) => this.listening.ignoreWhile(playing));
	readonly choice: SurveyChoice;
	due = $state(0);
	/** What is left unmuted: one string, or all of a note; in a walk all of them. */
	open = $state(false);
	readonly isOpen = $derived.by(() => this.open || this.choice.isOpen);
	/** The note that was struck last, or why nothing came of it. */
	struck = $state<number | undefined>();
	problem = $state<string | undefined>();
	/** It was no strike at all, and its word goes by itself. */
	passes = $state(false);
	/** A strike that may have been of two keys. */
	asked = $state.raw<Asked | undefined>();
	readonly notes = $derived.by(() => this.choice.notes);
	readonly found = $derived.by(() => foundNotes(this.record.readingsFor('found'), this.options.outOfLine()));
	/** Notes of which one string was struck alone, and those whose strings were all struck together. */
	private readonly struckAlone = $derived.by(
		() =>
			new Set(
				this.record.readingsFor('found').flatMap(({ sounders }) => (sounders.length === 1 ? groupOf(sounders[0]) : []))
			)
	);
	readonly walked = $derived.by(() => walkedNotes(this.record.readingsFor('found')));
	readonly done = $derived.by(() => this.notes.filter((note) => this.isDone(note)));
	readonly strings: SounderChoice = $derived.by(() => this.stringsOf(this.due));
	private pending: Pending | undefined;
	/** The strike whose sound is being looked at, by when it fell. */
	private looking: number | undefined;

	constructor(private readonly options: SurveyOptions<Body>) {
		this.record = options.record;
		const groups = options.family.groups(options.body);
		this.choice = new SurveyChoice({ ...options, groups });
		this.listening = new Listening({
			...listenedTo(options),
			// Nothing is turned in Sound.
			onMoved: () => {},
			onEvents: (heard) => heard.forEach((event) => this.hear(event)),
			strikes: () => this.last.port(),
			onKept: (reading) => void this.look(reading)
		});
		this.due = this.nextDue(-Infinity);
	}

	/** Begins in the browser; what it returns ends it. */
	begin(): () => void {
		this.listening.recall();
		this.expect();
		this.record.enter('sound');
		return () => {
			this.settle();
			this.last.close();
			this.listening.stop();
		};
	}

	/** Cents from where the plan will have it. */
	offset(note: number): Cents | undefined {
		const target = this.options.plan.targetOf(note)?.pitch;
		const pitch = this.found.get(note)?.pitch;
		return target && pitch ? centsBetween(target, pitch) : undefined;
	}

	targetOf(note: number): Hz | undefined {
		return this.options.plan.targetOf(note)?.pitch;
	}

	/** What a recording of this instrument is listened to with. */
	recordingSetup(): Omit<ListeningSetup, 'sampleRate'> {
		return { ...listenedTo(this.options).setup, habits: this.listening.habits };
	}

	/** Whether the instrument has this note. */
	has(note: number): boolean {
		return this.options.family.groups(this.options.body).includes(note);
	}

	isDone(note: number): boolean {
		const found = this.found.get(note);
		const isSingle = this.stringsOf(note, true).sounders.length === 1;
		const isRead = this.isOpen && !isSingle ? this.walked.has(note) : this.struckAlone.has(note);
		return found !== undefined && isRead && found.again === undefined;
	}

	/** What sounds of a note: the sounder that leads, or all of them. */
	private stringsOf(note: number, open = this.isOpen): SounderChoice {
		const choices = this.options.family.choices(this.options.body, note);
		return (open && choices.find(({ id }) => id === 'open')) || choices[0];
	}

	private nextDue(after: number): number {
		const left = this.notes.filter((note) => !this.isDone(note));
		return left.find((note) => note > after) ?? left[0] ?? this.notes[0];
	}

	private expect(): void {
		const target = this.options.plan.targetOf(this.due);
		const known = new Map<number, KnownStanding>();
		for (const note of this.found.keys()) {
			const off = this.offset(note);
			if (off !== undefined) known.set(note, { found: off, now: off });
		}
		const about = standingsAbout(this.due, (note) => this.targetOf(note), known);
		const due: Due | undefined = target && { note: this.due, pitch: target.pitch, about };
		this.listening.expect(due);
	}

	/** Says which key it was that was asked about. */
	answer(note: number): void {
		const { asked } = this;
		this.asked = undefined;
		if (!asked) return;
		this.pending = { reading: { ...asked.reading, note }, strings: this.stringsOf(note) };
		this.settle();
	}

	private hear(event: ListenerEvent): void {
		if (event.kind === 'strike') {
			this.settle();
			this.problem = this.asked = undefined;
		} else if (event.kind === 'refused') {
			this.problem = REFUSALS[event.why];
			this.passes = PASSING.has(event.why);
		} else if (event.kind === 'reading') {
			this.settle();
			const { reading, or } = event;
			if (or === undefined) this.pending = { reading, strings: this.stringsOf(reading.note) };
			else this.asked = { reading, notes: [reading.note, or] };
		} else if (event.kind === 'ended' && this.looking === undefined) this.settle();
	}

	private async look(reading: StringReading): Promise<void> {
		const { note, struckAt } = reading;
		this.looking = struckAt;
		const heard = await this.last.look(reading, this.stringsOf(note).sounders.length);
		if (this.looking === struckAt) this.looking = undefined;
		if (this.pending?.reading.struckAt === struckAt) this.settle(heard?.analysis);
	}

	/** Keeps what waits for a closer look, with or without it. */
	private settle(analysis?: UnisonAnalysis): void {
		const { pending } = this;
		this.pending = undefined;
		if (!pending) return;
		const { reading, strings } = pending;
		this.take(reading, analysis, strings, this.listening.source);
		const due = this.due;
		if (reading.note === due && this.isDone(due)) this.goTo(this.nextDue(due));
		else this.expect();
		this.struck = reading.note;
	}

	private take(
		reading: StringReading,
		analysis: UnisonAnalysis | undefined,
		strings: SounderChoice,
		source: Reading['source']
	): void {
		const target = this.options.plan.targetOf(reading.note);
		if (!target) return;
		const { sounders } = strings;
		const details = foundDetails(reading, analysis, { sounders, source, target: target.pitch });
		const kept = this.record.read(reading, details);
		this.record.act({
			do: 'accept',
			sounders,
			purpose: 'found',
			pass: 1,
			reading: kept.id,
			setTo: null,
			final: null,
			plan: this.record.report.plan?.id ?? null
		});
	}

	/** Takes what a recording told, strike by strike. */
	takeRecorded(
		strikes: readonly { readonly reading: StringReading; readonly analysis: UnisonAnalysis | undefined }[],
		open: boolean
	): void {
		this.record.together(() => {
			for (const { reading, analysis } of strikes)
				this.take(reading, analysis, this.stringsOf(reading.note, open), 'file');
		});
		this.goTo(this.nextDue(-Infinity));
	}

	/** Takes pitches that were measured elsewhere: one string of each note. */
	takeTyped(levels: readonly TypedLevel[]): void {
		this.record.together(() => {
			for (const { note, level } of levels) {
				const target = this.targetOf(note);
				if (target === undefined) continue;
				const pitch = hzAbove(target, cents(level));
				const reading: StringReading = {
					...{ note, struckAt: 0, moment: 0, pitch, pitchError: TYPED_ERROR, flexiblePitch: pitch },
					...{ inharmonicity: undefined, inharmonicityError: undefined, partials: [] }
				};
				this.take(reading, undefined, this.stringsOf(note, false), 'file');
			}
		});
		this.goTo(this.nextDue(-Infinity));
	}

	goTo(note: number): void {
		this.choice.unskip(note);
		this.due = note;
		this.struck = undefined;
		this.problem = this.asked = undefined;
		this.expect();
	}

	/** Another choice of notes: what is due follows it. */
	choose(change: () => void): void {
		change();
		this.goTo(this.nextDue(this.due - 1));
	}

	private neighbour(by: 1 | -1): number {
		const beyond =
			by > 0 ? this.notes.find((note) => note > this.due) : this.notes.filter((note) => note < this.due).at(-1);
		return beyond ?? this.due;
	}

	do({ do: action }: SoundAction): void {
		switch (action) {
			case 'next':
				return this.goTo(this.neighbour(1));
			case 'previous':
				return this.goTo(this.neighbour(-1));
			case 'skip':
				this.choice.skip(this.due);
				return this.goTo(this.nextDue(this.due));
			case 'one':
				this.open = false;
				return;
			case 'open':
				this.open = true;
				return;
			case 'strike':
				return void this.listening.simulated?.strike(this.due, this.indexes, STRENGTH);
			case 'listen':
				return void (this.listening.state === 'on' ? this.listening.stop() : this.listening.start());
		}
	}

	/** What sounds, by its place among the note's strings. */
	private get indexes(): readonly number[] {
		const all = this.options.family.sounders(this.options.body, this.due);
		return this.strings.sounders.map((sounder) => all.indexOf(sounder));
	}

	/** What was found of each note, for the picture. */
	readonly points = $derived.by(() =>
		[...this.found.values()].flatMap(({ note, pitchError, spread, falseBeat, again }) => {
			const offset = this.offset(note);
			if (offset === undefined) return [];
			return [
				{
					...{ note, offset, error: pitchError, again: again !== undefined },
					spread: spread === undefined || spread === 'none' ? undefined : spread.cents,
					falseBeat: falseBeat !== undefined && falseBeat !== 'none'
				}
			];
		})
	);
}
