import {
	afterPairJudged,
	createRandom,
	PAIR_BEGUN,
	PAIR_WITHIN,
	pairBeat,
	parFor,
	partialHz,
	type Hand,
	type Move,
	type PairDrill,
	type PairExercise,
	type PairState,
	type SetTrial
} from '@fendrel/core';
import { FALSE_BEAT } from './conditions';
import { gearOf } from './leverHand';
import { SITTING } from './progress';
import { SetSitting } from './setSitting.svelte';
import type { LeverGround } from './settingSitting.svelte';

interface Ground extends LeverGround<PairDrill> {
	/** The learner's own, for the par. */
	readonly hand: Hand;
}

/** What has been made of a pair that stands. */
export interface PairTold extends SetTrial {
	readonly par: number;
}

/** The partial at which a pair's beat is counted. */
const HEARD_AT = 2;
/** Tries after which a pair is left as it is. */
const MOST_TRIES = 12;

/** A sitting of the pair method: one string is moved by its beat, the other is matched, and the pair is measured. */
export class PairSitting extends SetSitting {
	exercise = $state.raw<PairExercise>()!;
	state = $state.raw<PairState>(PAIR_BEGUN);
	/** Tries that this pair may take. */
	par = $state(1);
	/** What the last pair came to. */
	told = $state.raw<PairTold | undefined>();
	/** Beats a second that the move asks for, where a pair's beat is counted. */
	readonly asked = $derived(pairBeat(this.state.by, partialHz(this.exercise.string, HEARD_AT)));
	/** The other string is being brought to the one that was moved. */
	readonly isMatching = $derived(this.state.phase === 'match');
	private strikes = 0;
	private moves: Move[] = [];
	/** Cents from where the pair is to stand: of the one that leads, and of the other one. */
	private stands: [number, number] = [0, 0];
	private gear = 1;
	private since = 0;
	private readonly random;

	constructor(private readonly ground: Ground) {
		super(SITTING.pair, ground.sound, ground.onanswered);
		this.random = createRandom(ground.seed);
		this.next();
	}

	protected next(): void {
		const { drill, register, strings, hand } = this.ground;
		this.exercise = drill.exercise(strings, register, this.random);
		const { from, octave } = this.exercise;
		this.stands = [from, from];
		this.gear = gearOf(this.random);
		this.strikes = 0;
		this.moves = [];
		this.par = parFor(from, hand);
		// Against an octave it is the learner who judges how far.
		this.state = octave ? { ...PAIR_BEGUN, phase: 'shade' } : afterPairJudged(PAIR_BEGUN, from, PAIR_WITHIN);
	}

	protected get isBegun(): boolean {
		return this.strikes > 0;
	}

	private both() {
		const { note, string } = this.exercise;
		const motion = this.ground.isFalse ? { motion: FALSE_BEAT } : {};
		// The one that leads beats by itself, where one does.
		return this.stands.map((cents, i) => ({ id: String(i), voice: { note, string }, cents, ...(i === 0 && motion) }));
	}

	private begin(): boolean {
		if (this.isOver) return false;
		this.notice = this.told = undefined;
		if (this.strikes++ === 0) this.since = this.ground.now();
		return true;
	}

	strike(): void {
		if (this.begin()) void this.ground.sound.strike('pair', this.both());
	}

	/** The octave below, with the pair. */
	octave(): void {
		const { octave } = this.exercise;
		if (!octave || !this.begin()) return;
		void this.ground.sound.strike('octave', [{ id: 'below', voice: octave.reference, cents: 0 }, ...this.both()]);
	}

	/** The test note with the lower note of the octave, or with the pair. */
	test(which: 'inner' | 'outer'): void {
		const { octave } = this.exercise;
		if (!octave || !this.begin()) return;
		const test = { id: 'test', voice: octave.test, cents: 0 };
		const below = { id: 'below', voice: octave.reference, cents: 0 };
		void this.ground.sound.strike(which, [test, ...(which === 'inner' ? [below] : this.both())]);
	}

	turn(by: number): void {
		if (this.isOver) return;
		const which = this.isMatching ? 0 : 1;
		this.stands[which] += by * this.gear;
		this.ground.sound.turnTo(String(which), this.stands[which]);
	}

	/** The string that is moved has come far enough, or the other one has been brought to it. */
	stand(): void {
		if (this.isOver) return;
		if (!this.isBegun) this.notice = 'Strike them first.';
		else if (this.isMatching) this.measure();
		else {
			const [still, moved] = this.stands;
			if (!this.exercise.octave) this.moves.push({ asked: this.state.by, set: moved - still });
			this.state = { ...this.state, phase: 'match' };
		}
	}

	/** Against an octave: the learner says that the pair stands. */
	leave(): void {
		if (this.isOver || !this.exercise.octave || this.isMatching) return;
		if (!this.isBegun) this.notice = 'Strike the octave first.';
		else this.done(this.middle);
	}

	private get middle(): number {
		return (this.stands[0] + this.stands[1]) / 2;
	}

	private measure(): void {
		if (this.exercise.octave) {
			this.state = { ...this.state, phase: 'shade', tries: this.state.tries + 1 };
			return;
		}
		this.state = afterPairJudged(this.state, this.middle, PAIR_WITHIN);
		if (this.state.phase === 'done' || this.state.tries >= MOST_TRIES) this.done(this.middle);
	}

	private done(off: number): void {
		const { note, from } = this.exercise;
		const seconds = this.ground.now() - this.since;
		const trial = { from, asked: 0, set: off, tries: this.state.tries, seconds, note };
		const kept = this.moves.length ? { ...trial, moves: this.moves } : trial;
		this.told = { ...kept, par: this.par };
		this.answered(kept);
	}
}
