import { createRandom, type SetTrial, type SettingDrill, type SettingExercise } from '@fendrel/core';
import type { TurnableStrings } from '$lib/audio/turnable.svelte';
import { FALSE_BEAT } from './conditions';
import { gearOf } from './leverHand';
import { SITTING } from './progress';
import { SetSitting, type SetGround } from './setSitting.svelte';

/** A sitting with the lever. */
export interface LeverGround<Drill> extends SetGround<Drill> {
	readonly sound: Pick<TurnableStrings, 'strike' | 'turnTo' | 'stop'>;
	/** The string that stands beats by itself. */
	readonly isFalse?: boolean;
	/** Seconds, by a clock that nobody sets. */
	readonly now: () => number;
}

/** A sitting in which two strings are brought together, or set apart by what is asked. */
export class SettingSitting extends SetSitting {
	exercise = $state.raw<SettingExercise>()!;
	/** What the last one came to. */
	told = $state.raw<SetTrial | undefined>();
	strikes = $state(0);
	/** Cents at which the string that is moved stands. */
	private stands = 0;
	private gear = 1;
	private since = 0;
	private readonly random;

	constructor(private readonly ground: LeverGround<SettingDrill>) {
		super(SITTING.setting, ground.sound, ground.onanswered);
		this.random = createRandom(ground.seed);
		this.next();
	}

	protected next(): void {
		const { drill, register, strings } = this.ground;
		this.exercise = drill.exercise(strings, register, this.random);
		this.stands = this.exercise.from;
		this.gear = gearOf(this.random);
		this.strikes = 0;
	}

	protected get isBegun(): boolean {
		return this.strikes > 0;
	}

	strike(): void {
		if (this.isOver) return;
		this.notice = this.told = undefined;
		if (this.strikes++ === 0) this.since = this.ground.now();
		const { note, string } = this.exercise;
		const voice = { note, string };
		const still = { id: 'still', voice, cents: 0, ...(this.ground.isFalse && { motion: FALSE_BEAT }) };
		void this.ground.sound.strike('both', [still, { id: 'turned', voice, cents: this.stands }]);
	}

	turn(by: number): void {
		if (this.isOver) return;
		this.stands += by * this.gear;
		this.ground.sound.turnTo('turned', this.stands);
	}

	/** The learner says that it stands as asked. */
	stand(): void {
		if (this.isOver) return;
		if (!this.isBegun) {
			this.notice = 'Strike them first.';
			return;
		}
		const { note, from, asked } = this.exercise;
		// Apart is apart, above or below.
		const set = asked === 0 ? this.stands : Math.abs(this.stands);
		const seconds = this.ground.now() - this.since;
		this.told = { from, asked, set, tries: this.strikes, seconds, note };
		this.answered(this.told);
	}
}
