import { createRandom, tappedRate, type CountingDrill, type CountingExercise, type SetTrial } from '@fendrel/core';
import type { Player } from '$lib/audio/player.svelte';
import { SITTING } from './progress';
import { SetSitting, type SetGround } from './setSitting.svelte';

interface Ground extends SetGround<CountingDrill> {
	readonly player: Pick<Player, 'inTurn' | 'stop' | 'elapsed' | 'playing'>;
}

/** A sitting in which beats are counted by tapping them. */
export class CountingSitting extends SetSitting {
	/** Moments of the taps, in seconds of the sound. */
	taps = $state.raw<readonly number[]>([]);
	/** What the last count came to. */
	told = $state.raw<SetTrial | undefined>();
	readonly rate = $derived(tappedRate(this.taps));
	private exercise!: CountingExercise;
	private plays = 0;
	private readonly random;

	constructor(private readonly ground: Ground) {
		super(SITTING.counting, ground.player, ground.onanswered);
		this.random = createRandom(ground.seed);
		this.next();
	}

	protected next(): void {
		const { drill, register, strings } = this.ground;
		this.taps = [];
		this.plays = 0;
		this.exercise = drill.exercise(strings, register, this.random);
	}

	protected get isBegun(): boolean {
		return this.plays > 0;
	}

	async play(): Promise<void> {
		if (this.isOver) return;
		this.notice = this.told = undefined;
		this.taps = [];
		this.plays++;
		await this.ground.player.inTurn('beat', [this.exercise.sound], 0);
	}

	/** A beat is tapped: by the clock that the loudspeaker runs on. */
	tap(): void {
		if (this.isOver) return;
		if (this.ground.player.playing === undefined) this.notice = 'Play it first, and tap while it sounds.';
		else this.taps = [...this.taps, this.ground.player.elapsed];
	}

	anew(): void {
		this.taps = [];
	}

	count(): void {
		if (this.isOver) return;
		const { rate, taps } = this;
		if (rate === undefined) {
			this.notice = 'Three taps at least make a count.';
			return;
		}
		const seconds = taps.at(-1)! - taps[0];
		this.told = { from: 0, asked: this.exercise.rate, set: rate, tries: this.plays, seconds };
		this.answered(this.told);
	}
}
