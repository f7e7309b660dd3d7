import {
	countBlows,
	HELD_STRINGS,
	HELD_WITHIN,
	LATER_MS,
	noteName,
	TEST_BLOWS,
	type DrillRegister,
	type SetTrial
} from '@fendrel/core';
import type { HeardStrike } from './heardStrings.svelte';

/** A string that was left to be read again. */
export interface LeftString {
	readonly note: number;
	/** Cents from target: as it was found, and as it was left. */
	readonly from: number;
	readonly off: number;
	/** Milliseconds since 1970. */
	readonly at: number;
	readonly seconds: number;
	readonly tries: number;
	/** The sense of the lever's last turn, where it was said. */
	readonly last?: -1 | 1;
}

/** As far as a sitting has come: it goes on from there when the page is opened again. */
export interface HoldingBegun {
	readonly left: readonly LeftString[];
	readonly trials: readonly SetTrial[];
}

interface Ground {
	readonly register: DrillRegister;
	readonly begun: HoldingBegun;
	/** It is over, and this was read. */
	readonly onanswered: (trials: readonly SetTrial[]) => void;
	readonly onkept: (begun: HoldingBegun) => void;
	/** The note that is due has changed. */
	readonly ondue: (note: number) => void;
	/** Milliseconds since 1970. */
	readonly now: () => number;
}

/** A reading that errs by more than that says nothing of half a cent. */
const READ_WITHIN = HELD_WITHIN / 3;

/** Ten strings of the piano in front of one: set, struck firmly, and each read again ten minutes after it was left. */
export class HeardHolding {
	/** Of the string that is due, since it became due. */
	strikes = $state.raw<readonly HeardStrike[]>([]);
	left = $state.raw<readonly LeftString[]>([]);
	trials = $state.raw<readonly SetTrial[]>([]);
	notice = $state<string | undefined>();
	/** The sense of the lever's last turn. */
	last = $state<-1 | 1 | undefined>();
	isEnded = $state(false);
	/** Firm blows on the string that is due. */
	readonly blows = $derived.by(() => countBlows(this.strikes).firm);
	/** All are set: they are read again. */
	readonly isLater = $derived.by(() => this.left.length === HELD_STRINGS);
	readonly isOver = $derived.by(() => this.isEnded || this.trials.length === HELD_STRINGS);
	readonly note = $derived.by(() =>
		this.isLater ? (this.left[this.trials.length] ?? this.left[0]).note : this.ground.register.lowest + this.left.length
	);
	private since: number | undefined;

	constructor(private readonly ground: Ground) {
		this.left = ground.begun.left;
		this.trials = ground.begun.trials;
		this.due();
	}

	private due(): void {
		this.strikes = [];
		this.since = this.last = undefined;
		this.ground.ondue(this.note);
	}

	/** Milliseconds until the string that is due is read again; a clock that was set back makes it no longer than it is. */
	wait(now: number): number {
		if (!this.isLater || this.isOver) return 0;
		return Math.min(LATER_MS, Math.max(0, this.left[this.trials.length].at + LATER_MS - now));
	}

	heard(strike: HeardStrike): void {
		if (this.isOver) return;
		const { note } = this;
		const now = this.ground.now();
		if (strike.note !== note) this.notice = `That was ${noteName(strike.note)}; ${noteName(note)} is due.`;
		else if (this.wait(now) > 0) this.notice = `${noteName(note)} has not stood for ten minutes yet.`;
		else {
			this.notice = undefined;
			this.since ??= now;
			this.strikes = [...this.strikes, strike];
		}
	}

	/** The learner says that it holds, or, later, that it has been struck. */
	stand(): void {
		if (this.isOver) return;
		const strike = this.strikes.at(-1);
		if (!strike) this.notice = this.isLater ? 'Strike it first, when its time has come.' : 'Strike it first.';
		else if (this.blows < TEST_BLOWS)
			this.notice = `Give it ${TEST_BLOWS} firm blows ${this.isLater ? 'before it is read' : 'before you leave it'}.`;
		else if (strike.error > READ_WITHIN)
			this.notice = 'That strike could not be read finely enough. Strike once more, and let it ring.';
		else if (this.isLater) this.read(strike.off);
		else this.leave(strike.off);
	}

	private leave(off: number): void {
		const { note, last, strikes } = this;
		const at = this.ground.now();
		const of = { note, from: strikes[0].off, off, at, seconds: Math.max(0, at - this.since!) / 1000 };
		this.left = [...this.left, { ...of, tries: strikes.length, ...(last && { last }) }];
		this.goOn();
	}

	private read(off: number): void {
		const { off: before, at: _at, ...of } = this.left[this.trials.length];
		this.trials = [...this.trials, { ...of, asked: 0, set: off - before }];
		this.goOn();
	}

	private goOn(): void {
		this.notice = undefined;
		this.ground.onkept({ left: this.left, trials: this.trials });
		if (this.isOver) this.ground.onanswered(this.trials);
		else this.due();
	}

	end(): void {
		if (this.isOver) return;
		this.isEnded = true;
		if (this.trials.length) this.ground.onanswered(this.trials);
	}
}
