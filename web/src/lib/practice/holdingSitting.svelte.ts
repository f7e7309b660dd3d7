import {
	createRandom,
	HELD_STRINGS,
	HeldString,
	holdingExercise,
	TEST_BLOWS,
	type HoldingDrill,
	type HoldingExercise,
	type SetTrial
} from '@fendrel/core';
import { gearOf } from './leverHand';
import type { LeverGround } from './settingSitting.svelte';

interface Left {
	readonly exercise: HoldingExercise;
	readonly string: HeldString;
	readonly at: number;
	readonly seconds: number;
}

/** A sitting in which ten strings are set to hold, and read again ten minutes later. */
export class HoldingSitting {
	exercise = $state.raw<HoldingExercise>()!;
	/** Strings that have been left. */
	done = $state(0);
	blows = $state(0);
	strikes = $state(0);
	notice = $state<string | undefined>();
	/** Where each was found later: only when all have been left. */
	trials = $state.raw<readonly SetTrial[]>([]);
	isEnded = $state(false);
	private string!: HeldString;
	private readonly left: Left[] = [];
	private gear = 1;
	private since = 0;
	private readonly random;

	constructor(private readonly ground: LeverGround<HoldingDrill>) {
		this.random = createRandom(ground.seed);
		this.next();
	}

	get isOver(): boolean {
		return this.isEnded || this.trials.length > 0;
	}
	/** Milliseconds, for what creeps. */
	private get clock(): number {
		return 1000 * this.ground.now();
	}

	private next(): void {
		this.exercise = holdingExercise(this.ground.register, this.random);
		this.string = new HeldString(this.exercise);
		this.gear = gearOf(this.random);
		this.blows = this.strikes = 0;
		this.since = this.ground.now();
	}

	strike(firmly = false): void {
		if (this.isOver) return;
		this.notice = undefined;
		this.strikes++;
		this.string.strike(firmly ? 'blow' : 'usual', this.clock);
		this.blows = this.string.blows;
		const { note } = this.exercise;
		const voice = { note, string: this.ground.strings(note) };
		const turned = { id: 'turned', voice, cents: this.string.standing(this.clock) };
		void this.ground.sound.strike('both', [{ id: 'still', voice, cents: 0 }, turned]);
	}

	turn(by: number): void {
		if (this.isOver) return;
		this.string.turn(by * this.gear, this.clock);
		this.ground.sound.turnTo('turned', this.string.standing(this.clock));
	}

	/** The learner says that it holds. */
	stand(): void {
		if (this.isOver) return;
		if (this.strikes === 0) {
			this.notice = 'Strike them first.';
			return;
		}
		if (this.blows < TEST_BLOWS) {
			this.notice = `Give it ${TEST_BLOWS} firm blows before you leave it.`;
			return;
		}
		this.ground.sound.stop();
		const { exercise, string } = this;
		this.left.push({ exercise, string, at: this.clock, seconds: this.ground.now() - this.since });
		this.done = this.left.length;
		if (this.done < HELD_STRINGS) this.next();
		else this.readAgain();
	}

	private readAgain(): void {
		this.trials = this.left.map(({ exercise: { note, from }, string, at, seconds }) => ({
			...{ from, asked: 0, tries: string.blows, seconds, note },
			set: string.movedLater(at),
			...(string.last && { last: string.last })
		}));
		this.ground.onanswered(this.trials, true);
	}

	end(): void {
		if (this.isOver) return;
		this.ground.sound.stop();
		this.isEnded = true;
	}
}
