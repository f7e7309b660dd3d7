import {
	BY_OCTAVE,
	centsBetween,
	noteName,
	stepInCents,
	type DrillRegister,
	type JudgedOctave,
	type MeasuredPartial,
	type SetTrial
} from '@fendrel/core';
import { SITTING } from '../progress';
import { SetSitting } from '../setSitting.svelte';
import { whiteKeysOf } from './heardSitting.svelte';
import type { HeardStrike } from './heardStrings.svelte';

interface Ground {
	readonly register: DrillRegister;
	readonly onanswered: (trials: readonly SetTrial[], isOver: boolean) => void;
	/** The note that is due has changed. */
	readonly ondue: (note: number) => void;
	readonly now: () => number;
}

/** Standard error of a partial in cents. */
const errorOf = ({ error, frequency }: MeasuredPartial) => stepInCents(error, frequency);
/** Partials that err by more together say nothing of half a cent. */
const READ_WITHIN = 0.2;

/**
 * Pairs of the piano in front of one, brought to a pure octave by ear alone. It is measured before, which is not told, and once
 * the learner says that it is pure: from the partials that meet, each of its own note's strike.
 */
export class HeardOctave extends SetSitting {
	note = $state(0);
	phase = $state<'found' | 'work' | 'left'>('found');
	/** How the lower note has sounded by itself, since it was asked for. */
	lower = $state.raw<HeardStrike | undefined>();
	told = $state.raw<SetTrial | undefined>();
	/** Strikes of the pair while it is worked at. */
	strikes = $state(0);
	readonly by: JudgedOctave;
	private from = 0;
	private since = 0;
	private readonly notes: readonly number[];

	constructor(private readonly ground: Ground) {
		super(SITTING.pair, { stop: () => {} }, ground.onanswered);
		this.by = BY_OCTAVE[ground.register.id];
		this.notes = whiteKeysOf(ground.register);
		this.next();
	}

	get below(): number {
		return this.note - this.by.kind.semitones;
	}
	/** The note that tests both. */
	get test(): number {
		return this.below + this.by.test;
	}
	/** The note that is to be struck by itself now; undefined while the learner works. */
	get due(): number | undefined {
		if (this.phase === 'work') return undefined;
		return this.lower ? this.note : this.below;
	}

	protected next(): void {
		this.note = this.notes[this.trials.length % this.notes.length];
		this.strikes = 0;
		this.measureAs('found');
	}

	protected get isBegun(): boolean {
		return this.phase !== 'found' || this.lower !== undefined;
	}

	private measureAs(phase: 'found' | 'left'): void {
		this.phase = phase;
		this.lower = undefined;
		this.ground.ondue(this.below);
	}

	heard(strike: HeardStrike): void {
		if (this.isOver) return;
		const { due } = this;
		if (due === undefined) {
			if (strike.note === this.note) this.strikes++;
			return;
		}
		this.told = undefined;
		if (strike.note !== due) {
			this.notice = `That was ${noteName(strike.note)}; ${noteName(due)} is due.`;
			return;
		}
		this.notice = undefined;
		if (this.lower) this.measure(this.lower, strike);
		else {
			this.lower = strike;
			this.ground.ondue(this.note);
		}
	}

	private measure(lower: HeardStrike, upper: HeardStrike): void {
		const { lowerPartial, upperPartial } = this.by.kind;
		const partial = ({ partials }: HeardStrike, of: number) => partials.find((each) => each.partial === of);
		const [below, above] = [partial(lower, lowerPartial), partial(upper, upperPartial)];
		if (!below || !above || Math.hypot(errorOf(below), errorOf(above)) > READ_WITHIN) {
			this.notice =
				'Where their partials meet could not be read finely enough: are the two strings one? Strike both notes once more, each by itself.';
			if (this.phase !== 'work') this.measureAs(this.phase);
			return;
		}
		const off = centsBetween(below.frequency, above.frequency);
		if (this.phase === 'found') {
			this.from = off;
			this.phase = 'work';
			this.since = this.ground.now();
			return;
		}
		const { from, strikes: tries, note } = this;
		this.told = { from, asked: 0, set: off, tries, seconds: this.ground.now() - this.since, note };
		this.answered(this.told);
	}

	/** The learner says that the octave is pure. */
	stand(): void {
		if (this.isOver) return;
		if (this.phase === 'work') this.measureAs('left');
		else this.notice = `Strike ${noteName(this.due!)} by itself, and let it ring.`;
	}
}
