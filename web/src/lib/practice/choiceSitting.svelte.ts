import {
	choicesOf,
	createRandom,
	ThresholdSearch,
	type ChoiceDrill,
	type ChoiceRegister,
	type PlayedTrial,
	type Strings,
	type Trial
} from '@fendrel/core';
import type { Player } from '$lib/audio/player.svelte';
import { withFalseBeat } from './conditions';
import { SITTING } from './progress';

/** Seconds of silence between two sounds of a trial. */
const PAUSE = 0.35;

interface Ground {
	readonly drill: ChoiceDrill;
	readonly register: ChoiceRegister;
	readonly strings: Strings;
	/** What the same ear has answered before. */
	readonly earlier: readonly Trial[];
	readonly seed: number;
	/** A string of each sound beats by itself. */
	readonly isFalse?: boolean;
	readonly player: Pick<Player, 'inTurn' | 'stop' | 'playing' | 'turn'>;
	/** Told after every answer, and at the end. */
	readonly onanswered: (trials: readonly Trial[], isOver: boolean) => void;
}

/** What was answered last, and what it was. */
export interface Told {
	readonly size: number;
	readonly chosen: number;
	readonly right: number;
	readonly moved: PlayedTrial['moved'];
}

/** A sitting of one drill: plays, asks, tells at once, and plays the size next that tells most of the ear. */
export class ChoiceSitting {
	trials = $state.raw<readonly Trial[]>([]);
	/** What is to be told apart now; undefined: the next one has not been played yet. */
	private asked = $state.raw<(PlayedTrial & { readonly size: number }) | undefined>();
	told = $state.raw<Told | undefined>();
	isOver = $state(false);
	/** The newest answers are worse than the earlier ones foretell. */
	isTired = $state(false);
	/** Why a trial did not count. */
	notice = $state<string | undefined>();
	/** The answer that the pedal takes: the sound that was heard last, or the name that was marked. */
	readonly heard = $derived.by(() =>
		this.isNamed ? this.marked : (this.sounding ?? (this.isPlaying ? undefined : this.choices - 1))
	);
	/** Which of the answers sounds now; undefined: none of them. */
	readonly sounding = $derived.by(() => {
		const turn = this.ground.player.turn - (this.asked?.before ?? 0);
		return this.isPlaying && !this.isNamed && turn >= 0 ? turn : undefined;
	});
	/** Of answers that have names: which of them the pedal has come to. */
	marked = $state<number | undefined>();
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

	get choices(): number {
		return choicesOf(this.ground.register);
	}

	/** The answers have names: they are none of the sounds. */
	get isNamed(): boolean {
		return this.ground.register.answers !== undefined;
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
		const { drill, register, strings, player, isFalse } = this.ground;
		this.notice = undefined;
		if (!this.asked) {
			const size = this.known.next();
			this.asked = { size, ...drill.trial(strings, register, size, this.random) };
			this.told = undefined;
		}
		const { sounds } = this.asked;
		await player.inTurn('trial', isFalse ? withFalseBeat(sounds) : sounds, PAUSE);
	}

	/** The pedal goes to the next name. */
	markNext(): void {
		if (this.asked) this.marked = this.marked === undefined ? 0 : (this.marked + 1) % this.choices;
	}

	/** One of the answers is given. */
	choose(chosen: number | undefined): void {
		const { asked } = this;
		if (!asked || chosen === undefined || chosen < 0 || chosen >= this.choices) return;
		this.ground.player.stop();
		this.asked = this.marked = undefined;
		const { size, right, way, moved } = asked;
		this.told = { size, right, chosen, moved };
		const trial = { size, isRight: chosen === right, ...(way && { way }) };
		this.own.answer(trial);
		this.known.answer(trial);
		this.trials = [...this.trials, trial];
		// Of this sitting alone: an ear that hears less than last month does not tire.
		this.isTired = this.own.isTired;
		this.isOver = this.trials.length >= SITTING.choice;
		this.ground.onanswered(this.trials, this.isOver);
	}

	/** What sounds is interrupted: the trial does not count, another one takes its place. */
	interrupt(why: string): void {
		if (!this.asked) return;
		this.ground.player.stop();
		this.asked = this.marked = undefined;
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
