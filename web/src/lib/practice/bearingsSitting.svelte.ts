import {
	createRandom,
	scatteredNotes,
	scoreBearings,
	type BearingPlan,
	type BearingsScore,
	type Ear,
	type Edge,
	type SetTrial,
	type Strings
} from '@fendrel/core';
import type { TurnableStrings } from '$lib/audio/turnable.svelte';
import { gearOf } from './leverHand';

interface Ground {
	readonly plan: BearingPlan;
	readonly strings: Strings;
	readonly ear: Ear;
	readonly seed: number;
	readonly sound: Pick<TurnableStrings, 'strike' | 'turnTo' | 'stop'>;
	readonly now: () => number;
	readonly onanswered: (trials: readonly SetTrial[], isOver: boolean) => void;
}

/** A whole temperament, set step by step on the twin, and then gone through as an examiner would. */
export class BearingsSitting {
	step = $state(0);
	/** Cents by which each note stands from where it is to be: nothing on screen shows them before the end. */
	private offs = $state.raw<ReadonlyMap<number, number>>(new Map());
	score = $state.raw<BearingsScore | undefined>();
	notice = $state<string | undefined>();
	/** Left before it was through: nothing is kept of it. */
	isEnded = $state(false);
	/** Steps whose note has been turned. */
	turned = $state.raw<ReadonlySet<number>>(new Set());
	private readonly strikes = new Map<number, number>();
	private readonly began: ReadonlyMap<number, number>;
	private readonly since: number;
	private readonly gear: number;

	constructor(private readonly ground: Ground) {
		const random = createRandom(ground.seed);
		this.offs = this.began = new Map(scatteredNotes(ground.plan, random).map(({ note, off }) => [note, off]));
		this.gear = gearOf(random);
		this.since = ground.now();
	}

	get due() {
		return this.ground.plan.steps[this.step];
	}
	get isOver(): boolean {
		return this.isEnded || this.score !== undefined;
	}

	/** Strikes notes as they stand now. */
	strike(...notes: readonly number[]): void {
		if (this.isOver) return;
		this.notice = undefined;
		this.strikes.set(this.step, (this.strikes.get(this.step) ?? 0) + 1);
		const one = (note: number) => ({
			...{ id: String(note), voice: { note, string: this.ground.strings(note) } },
			cents: this.offs.get(note) ?? 0
		});
		void this.ground.sound.strike(notes.join(' '), notes.map(one));
	}

	/** The interval that the step is set by first, or its note alone. */
	strikeDue(): void {
		const { by, note } = this.due;
		if (by[0]) this.strikeEdge(by[0].edge);
		else this.strike(note);
	}
	strikeEdge({ lower, upper }: Pick<Edge, 'lower' | 'upper'>): void {
		this.strike(lower, upper);
	}

	turn(by: number): void {
		const { note, by: ways } = this.due;
		if (this.isOver) return;
		if (ways.length === 0) {
			this.notice = 'The fork gives this note: it stands.';
			return;
		}
		const cents = (this.offs.get(note) ?? 0) + by * this.gear;
		this.offs = new Map(this.offs).set(note, cents);
		this.turned = new Set(this.turned).add(this.step);
		this.ground.sound.turnTo(String(note), cents);
	}

	goTo(step: number): void {
		if (this.isOver || step < 0 || step >= this.ground.plan.steps.length) return;
		this.ground.sound.stop();
		this.notice = undefined;
		this.step = step;
	}

	/** It is left as it is, and gone through. */
	finish(): void {
		if (this.isOver) return;
		const { plan, strings, ear, now, onanswered, sound } = this.ground;
		const left = plan.steps.findIndex(({ by }, i) => by.length > 0 && !this.turned.has(i));
		if (left >= 0) {
			this.goTo(left);
			this.notice = 'This note has not been set yet.';
			return;
		}
		sound.stop();
		const set = plan.steps.map(({ note }) => ({ note, off: this.offs.get(note)! }));
		this.score = scoreBearings(plan, strings, set, ear);
		const seconds = now() - this.since;
		const { notes } = this.score;
		// One exercise has many notes: each is an answer.
		const trials = plan.steps.flatMap(({ note, by }, i): SetTrial[] => {
			const judged = notes.find((each) => each.note === note);
			if (by.length === 0 || !judged) return [];
			const tries = this.strikes.get(i) ?? 0;
			return [
				{ note, from: this.began.get(note)!, asked: 0, set: judged.off, tries, seconds: seconds / plan.steps.length }
			];
		});
		onanswered(trials, true);
	}

	end(): void {
		if (this.isOver) return;
		this.ground.sound.stop();
		this.isEnded = true;
	}
}
