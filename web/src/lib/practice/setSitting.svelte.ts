import type { DrillRegister, SetTrial, Strings } from '@fendrel/core';

/** What every sitting has in which something is set or counted. */
export interface SetGround<Drill> {
	readonly drill: Drill;
	readonly register: DrillRegister;
	readonly strings: Strings;
	readonly seed: number;
	readonly onanswered: (trials: readonly SetTrial[], isOver: boolean) => void;
}

/** A sitting in which something is set or counted: one exercise after the other, each told at once. */
export abstract class SetSitting {
	trials = $state.raw<readonly SetTrial[]>([]);
	isOver = $state(false);
	/** Why something did not count. */
	notice = $state<string | undefined>();

	constructor(
		private readonly most: number,
		private readonly sounds: { stop(): void },
		private readonly onanswered: SetGround<unknown>['onanswered']
	) {}

	/** The next exercise takes the place of this one. */
	protected abstract next(): void;
	/** Something of this exercise has been heard. */
	protected abstract get isBegun(): boolean;

	protected answered(trial: SetTrial): void {
		this.sounds.stop();
		this.trials = [...this.trials, trial];
		this.isOver = this.trials.length >= this.most;
		this.onanswered(this.trials, this.isOver);
		if (!this.isOver) this.next();
	}

	/** Something took the ear away: the exercise does not count, another one takes its place. */
	interrupt(why: string): void {
		if (!this.isBegun || this.isOver) return;
		this.sounds.stop();
		this.next();
		this.notice = why;
	}

	end(): void {
		if (this.isOver) return;
		this.sounds.stop();
		this.isOver = true;
		if (this.trials.length) this.onanswered(this.trials, true);
	}
}
