import {
	centsBetween,
	hz,
	standingsAbout,
	surveyStrike,
	type Cents,
	type KnownStanding,
	type ListenerEvent,
	type ListeningHabits,
	type InstrumentTwin,
	type Refusal,
	type StringReading,
	type UnisonAnalysis
} from '@fendrel/core';
import { Listening } from '$lib/audio/listening.svelte';
import { LastStrike } from '$lib/listening/lastStrike.svelte';
import type { ListeningSetup } from '$lib/tuning/listeningSetup';
import type { HeardNote } from './told';

/** What an owner's page listens for, and with. */
export interface OwnersLookOptions {
	readonly notes: readonly number[];
	/** How many strings each of them has. */
	readonly strings: readonly number[];
	readonly targets: readonly { readonly note: number; readonly pitch: number }[];
	readonly setup: Omit<ListeningSetup, 'sampleRate' | 'habits'>;
	readonly habits: ListeningHabits;
	/** The simulated instrument, where one may try without a piano. */
	readonly twin: InstrumentTwin | undefined;
}

/** How hard the simulated instrument is struck. */
const STRENGTH = 0.8;

/** An owner plays, note by note; what each told is gathered. */
export class OwnersLook {
	readonly listening: Listening;
	/** What was heard, by note; the newest strike counts. */
	heard = $state.raw<ReadonlyMap<number, HeardNote>>(new Map());
	/** The note that is due; undefined when all were heard or left out. */
	due = $state<number | undefined>();
	/** Another note was struck; it counts too where it is one of them. */
	other = $state<number | undefined>();
	refusal = $state<Refusal | undefined>();
	private skipped = $state.raw<ReadonlySet<number>>(new Set());
	private readonly last = new LastStrike((playing) => this.listening.ignoreWhile(playing));
	private pending: StringReading | undefined;
	/** The strike whose sound is being looked at, by when it fell. */
	private looking: number | undefined;

	constructor(private readonly options: OwnersLookOptions) {
		const { setup, habits, twin } = options;
		this.listening = new Listening({
			...{ setup, habits, countOf: this.stringsAt, moved: {} },
			// Without a simulated one nothing ever asks for it.
			twin: twin as InstrumentTwin,
			onMoved: () => {},
			onEvents: (events) => events.forEach((event) => this.hear(event)),
			strikes: () => this.last.port(),
			onKept: (reading) => void this.look(reading)
		});
		this.due = options.notes[0];
	}

	/** Begins in the browser; what it returns ends it. */
	begin(): () => void {
		this.listening.source = 'microphone';
		this.expect();
		return () => {
			this.last.close();
			this.listening.stop();
		};
	}

	get left(): readonly number[] {
		return this.options.notes.filter((note) => !this.heard.has(note) && !this.skipped.has(note));
	}

	/** That key does not sound, or nobody finds it: the next one. */
	skip(): void {
		if (this.due === undefined) return;
		this.skipped = new Set([...this.skipped, this.due]);
		this.goOn();
	}

	/** From the first note, with nothing heard. */
	again(): void {
		this.heard = new Map();
		this.skipped = new Set();
		this.goOn();
	}

	/** Plays the note that is due on the simulated instrument. */
	simulate(): void {
		if (this.due === undefined) return;
		const strings = Array.from({ length: this.stringsAt(this.due) }, (_, i) => i);
		void this.listening.simulated?.strike(this.due, strings, STRENGTH);
	}

	private stringsAt = (note: number): number => this.options.strings[this.options.notes.indexOf(note)] ?? 1;
	private targetOf = (note: number) => {
		const pitch = this.options.targets.find((target) => target.note === note)?.pitch;
		return pitch === undefined ? undefined : hz(pitch);
	};

	private goOn(): void {
		[this.due] = this.left;
		this.other = this.refusal = undefined;
		this.expect();
	}

	/** What is due, and about where it will stand: by what was heard so far. */
	private expect(): void {
		const { due } = this;
		const pitch = due === undefined ? undefined : this.targetOf(due);
		if (due === undefined || !pitch) return this.listening.expect(undefined);
		const known = new Map<number, KnownStanding>();
		for (const { note, pitch: at } of this.heard.values()) {
			const off: Cents = centsBetween(this.targetOf(note)!, hz(at));
			known.set(note, { found: off, now: off });
		}
		this.listening.expect({ note: due, pitch, about: standingsAbout(due, this.targetOf, known) });
	}

	private hear(event: ListenerEvent): void {
		if (event.kind === 'strike') {
			this.take(undefined);
			this.refusal = undefined;
		} else if (event.kind === 'refused') this.refusal = event.why;
		else if (event.kind === 'reading') {
			// Of two that it may have been, the one that was asked for.
			const { reading, or } = event;
			this.pending = or !== undefined && or === this.due ? { ...reading, note: or } : reading;
			// A note that has one string has nothing to look at closer.
			if (this.stringsAt(this.pending.note) === 1) this.take(undefined);
		} else if (event.kind === 'ended' && this.looking === undefined) this.take(undefined);
	}

	private async look(reading: StringReading): Promise<void> {
		const { struckAt } = reading;
		this.looking = struckAt;
		const heard = await this.last.look(reading, this.stringsAt(reading.note));
		if (this.looking === struckAt) this.looking = undefined;
		if (this.pending?.struckAt === struckAt) this.take(heard?.analysis);
	}

	private take(analysis: UnisonAnalysis | undefined): void {
		const { pending } = this;
		this.pending = undefined;
		if (!pending) return;
		const { note, pitch, pitchError } = pending;
		if (!this.options.notes.includes(note)) {
			this.other = note;
			return;
		}
		const { spread } = surveyStrike(pending, analysis, this.stringsAt(note));
		const found = spread === undefined ? null : spread === 'none' ? 0 : spread.cents;
		this.heard = new Map([...this.heard, [note, { note, pitch, error: pitchError, spread: found }]]);
		const wasDue = note === this.due;
		this.goOn();
		if (!wasDue) this.other = note;
	}
}
