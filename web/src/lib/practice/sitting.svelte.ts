import {
	createRandom,
	ThresholdSearch,
	type ChoiceDrill,
	type DrillRegister,
	type PlayedTrial,
	type StiffString,
	type Trial
} from '@fendrel/core';
import type { Player } from '$lib/audio/player.svelte';
import { SITTING } from './progress';

/** Seconds of silence between two sounds of a trial. */
const PAUSE = 0.35;

interface Ground {
	readonly drill: ChoiceDrill;
	readonly register: DrillRegister;
	readonly strings: (note: number) => StiffString;
	/** What the same ear has answered before. */
	readonly earlier: readonly Trial[];
	readonly seed: number;
	readonly player: Pick<Player, 'inTurn' | 'stop' | 'playing' | 'turn'>;
	/** Told after every answer, and at the end. */
	readonly onanswered: (trials: readonly Trial[], isOver: boolean) => void;
}

/** What was answered last, and what it was. */
export interface Told {
	readonly size: number;
	readonly chosen: number;
	readonly right: number;
}

/** A sitting of one drill: plays, asks, tells at once, and plays the size next that tells most of the ear. */
export class Sitting {
	trials = $state.raw<readonly Trial[]>([]);
	/** What is to be told apart now; undefined: the next one has not been played yet. */
	private asked = $state.raw<(PlayedTrial & { readonly size: number }) | undefined>();
	told = $state.raw<Told | undefined>();
	isOver = $state(false);
	/** The newest answers are worse than the earlier ones foretell. */
	isTired = $state(false);
	/** Why a trial did not count. */
	notice = $state<string | undefined>();
	/** What is to be chosen by pedal: the sound that was heard last. */
	readonly heard = $derived.by(() => (this.isPlaying ? this.ground.player.turn : this.ground.drill.choices - 1));
	/** Of this sitting alone. */
	readonly own: ThresholdSearch;
	private readonly known: ThresholdSearch;
	private readonly random;

	constructor(private readonly ground: Ground) {
		const { register, earlier, seed } = ground;
		this.own = new ThresholdSearch(register.task);
		this.known = new ThresholdSearch(register.task, earlier);
		this.random = createRandom(seed);
	}

	get isPlaying(): boolean {
		return this.ground.player.playing !== undefined;
	}
	get isAsked(): boolean {
		return this.asked !== undefined;
	}

	/** Plays the next trial, or the one that is asked once more. */
	async play(): Promise<void> {
		if (this.isOver) return;
		const { drill, register, strings, player } = this.ground;
		this.notice = undefined;
		if (!this.asked) {
			const size = this.known.next();
			this.asked = { size, ...drill.trial(strings, register, size, this.random) };
			this.told = undefined;
		}
		await player.inTurn('trial', this.asked.sounds, PAUSE);
	}

	/** One of the sounds is said to be it. */
	choose(chosen: number): void {
		const { asked } = this;
		if (!asked || chosen < 0 || chosen >= this.ground.drill.choices) return;
		this.ground.player.stop();
		this.asked = undefined;
		const { size, right } = asked;
		this.told = { size, right, chosen };
		const trial = { size, isRight: chosen === right };
		this.own.answer(trial);
		this.known.answer(trial);
		this.trials = [...this.trials, trial];
		// Of this sitting alone: an ear that hears less than last month does not tire.
		this.isTired = this.own.isTired;
		this.isOver = this.trials.length >= SITTING;
		this.ground.onanswered(this.trials, this.isOver);
	}

	/** What sounds is interrupted: the trial does not count, another one takes its place. */
	interrupt(why: string): void {
		if (!this.asked) return;
		this.ground.player.stop();
		this.asked = undefined;
		this.notice = why;
	}

	end(): void {
		if (this.isOver) return;
		this.ground.player.stop();
		this.asked = undefined;
		this.isOver = true;
		if (this.trials.length) this.ground.onanswered(this.trials, true);
	}
}
