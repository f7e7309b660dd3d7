import { centsBetween, levelOf, type ListenerEvent, type StringReading, type UnisonAnalysis } from '@fendrel/core';
import { Listening } from '$lib/audio/listening.svelte';
import { LastStrike } from '$lib/listening/lastStrike.svelte';
import { familyOf } from '$lib/tuning/family';
import type { Listened } from '$lib/tuning/listened';
import { listeningSetup } from '$lib/tuning/listeningSetup';
import type { Plan } from '$lib/tuning/plan';

/** What a strike told. */
export interface HeardStrike {
	readonly note: number;
	/** Cents between two strings; where one tone was heard, what could not have been told apart. Undefined: it told nothing. */
	readonly apart: number | undefined;
	/** Where what is open stands, in cents from target. */
	readonly off: number;
	/** Standard error of that. */
	readonly error: number;
	/** Decibels of the loudest partial. */
	readonly level: number | undefined;
	readonly partials: StringReading['partials'];
}

/** How hard the simulated instrument is struck. */
const STRENGTH = 0.7;
/** The strings that are left open: the one that leads, and its neighbour or not. */
export const OPEN = { one: [0], two: [0, 1] } as const;
/** A strike that could not have told strings apart that lie so far from each other tells nothing, in cents. */
const TELLS = 1.2;

const apartIn = ({ spread, unresolved }: UnisonAnalysis) =>
	spread ? spread.cents : unresolved <= TELLS ? unresolved : undefined;

/** Strings of the piano in front of one, struck there and heard here. */
export class HeardStrings {
	readonly listening: Listening;
	/** Strikes that have been looked at. */
	looks = $state(0);
	/** A strike is being looked at. */
	waits = $state(false);
	private readonly last = new LastStrike((playing) => this.listening.ignoreWhile(playing));
	private due: number | undefined;

	constructor(
		{ twin, habits, stringing }: Listened,
		private readonly plan: Plan,
		a4: number,
		private readonly open: (typeof OPEN)[keyof typeof OPEN],
		private readonly onheard: (strike: HeardStrike) => void
	) {
		const { family, body } = familyOf({ ...twin, stringing });
		const countOf = (note: number) => family.sounders(body, note).length;
		this.listening = new Listening({
			setup: listeningSetup(plan, a4),
			...{ habits, twin, countOf, moved: {}, onMoved: () => {} },
			onEvents: (events) => events.forEach((event) => this.hear(event)),
			strikes: () => this.last.port(),
			onKept: (reading) => void this.look(reading)
		});
	}

	/** Begins in the browser; what it returns ends it. */
	start(): () => void {
		this.listening.recall();
		return () => {
			this.listening.stop();
			this.last.close();
		};
	}

	/** This note is listened for from now on. */
	expect(note: number): void {
		this.due = note;
		this.listening.expect({ note, pitch: this.plan.targetOf(note)!.pitch });
	}

	private hear({ kind }: ListenerEvent): void {
		if (kind === 'strike') this.waits = true;
		else if (kind === 'refused') this.waits = false;
	}

	private async look(reading: StringReading): Promise<void> {
		const { note, pitch, pitchError: error, partials } = reading;
		const isOne = this.open.length === 1;
		const heard = isOne ? undefined : await this.last.look(reading, this.open.length);
		if (!isOne && !heard) return;
		this.waits = false;
		this.looks++;
		const target = this.plan.targetOf(note);
		if (!target) return;
		const off = centsBetween(target.pitch, pitch);
		this.onheard({ note, apart: heard && apartIn(heard.analysis), off, error, partials, level: levelOf(reading) });
	}

	/** Strikes the due note of the simulated instrument. */
	strike(strength = STRENGTH): void {
		if (this.due !== undefined) void this.listening.simulated?.strike(this.due, this.open, strength);
	}

	/** Strikes several keys of it at once. */
	strikeTogether(notes: readonly number[]): void {
		void this.listening.simulated?.strikeTogether(
			notes.map((note) => ({ note, strings: this.open })),
			STRENGTH
		);
	}

	/** Turns a string of the due note: 0 leads. */
	turn(string: number, by: number): void {
		if (this.due !== undefined) this.listening.simulated?.turn(this.due, string, by);
	}
}
